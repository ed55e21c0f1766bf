import type { ReminderFilter } from "#core/release";

/** Whom reminders can go to, in the order they are offered. */
export const KINDS: readonly (readonly [ReminderFilter["kind"], string])[] = [
  ["nothingIn", "with nothing handed in"],
  ["dueSoon", "with nothing in yet, due within two weeks"],
  ["notScored", "not scored yet"],
  ["late", "who were late"],
  ["bonusNotTried", "who have not tried a bonus"],
  ["below", "below a figure"],
  ["above", "above a figure"],
];

export const isKind = (text: string): text is ReminderFilter["kind"] => KINDS.some(([kind]) => kind === text);

/** What a reminder says to begin with; it is changed before it goes out. */
export const REMINDER_TEXTS: Readonly<
  Record<ReminderFilter["kind"], { readonly subject: string; readonly body: string }>
> = {
  nothingIn: {
    subject: "{course}: nothing from you yet for {assignment}",
    body: "Dear {given},\n\nI have nothing from you yet for {assignment}. If something stands in your way, write to me.",
  },
  dueSoon: {
    subject: "{course}: {assignment} is due soon",
    body: "Dear {given},\n\n{assignment} is due {due}, and I have nothing from you yet. If you have handed it in by now, all is well.",
  },
  notScored: {
    subject: "{course}: your work is being read",
    body: "Dear {given},\n\nyour work for {assignment} is here and will be scored. There is nothing you need to do.",
  },
  late: {
    subject: "{course}: your work came late",
    body: "Dear {given},\n\n{assignment} came in late. The late rule of the course applies; if there was a reason, write to me.",
  },
  bonusNotTried: {
    subject: "{course}: a bonus is still open",
    body: "Dear {given},\n\nyou have not tried {assignment} yet. It can only add to your total.",
  },
  below: {
    subject: "{course}: let us talk",
    body: "Dear {given},\n\nI would like to talk with you about how the course is going. Come to my office hour, or write to me.",
  },
  above: {
    subject: "{course}: well done",
    body: "Dear {given},\n\nyour work in {course} has been strong. Go on like this.",
  },
};
