import type { ChangeIssue } from "#core/changes";
import type {
  CourseFileIssue,
  PastedRowIssue,
  RosterIssue,
  RubricFileIssue,
  ShorthandIssue,
  UnprovenIssue,
} from "#core/formats";
import type { RubricFinding } from "#core/scoring";
import { counted } from "#core/words";
import { inputWords } from "./input-words";
import { releaseFindingWords } from "./release-finding-words";
import { inMark } from "./figures";

const KEY_FAULTS = {
  right_option: "names a right option that is not there. Choose it among the options.",
  number: "is not a number with a tolerance of 0 or more. Type it such as 287, tolerance 3.",
  points: "gives points below 0. Points start at 0.",
} as const;

/** Sentences for refusals: what, and how to mend it. */
const ISSUES: { readonly [Code in ChangeIssue["code"]]: (issue: Extract<ChangeIssue, { code: Code }>) => string } = {
  not_a_number: (issue) => `"${issue.text}" is not a plain figure. Type points such as ${inMark("17.5")}.`,
  too_many_places: (issue) =>
    `${issue.text} has more than ${String(issue.maximum)} decimals. Round it and type it again.`,
  too_large: (issue) => `${issue.text} is too large for a score. Check the figure.`,
  entry_not_understood: (issue) =>
    `"${issue.text}" is not understood. Type points, or m missing, x excused, l2 late by two, - to clear.`,
  late_units_not_whole: (issue) => `"${issue.text}": after l comes a whole number, such as l2 for late by two.`,
  score_below_zero: (issue) => `${issue.text} is below 0. Scores start at 0.`,
  score_above_maximum: (issue) =>
    `${issue.text} is above the maximum of ${inMark(issue.maximum)}. Enter again to keep it, or correct it.`,
  points_outside_ruler: (issue) =>
    `${issue.text} is outside ${inMark(issue.minimum)} to ${inMark(issue.maximum)}. Type a figure on the ruler.`,
  points_between_levels: (issue) =>
    `${issue.text} lies between two levels (${inMark(issue.below)} and ${inMark(issue.above)}). Enter again to keep it.`,
  student_is_missing: () => "Marked missing. The same key again (Enter, or the level) gives the score and ends that.",
  student_is_excused: () => "Marked excused. The same key again (Enter, or the level) gives the score and ends that.",
  no_rubric_level: (issue) => `There is no level ${String(issue.digit)} here.`,
  seen_differs: (issue) =>
    `Changed meanwhile to "${issue.present || "nothing"}". Look at it and type again; nothing was overwritten.`,
  changed_elsewhere: () => "Changed in another tab meanwhile. Look at it and try again; nothing was overwritten.",
  wrong_place: (issue) => `A ${issue.mark} cannot stand at such a place. Nothing was changed; choose the place again.`,
  unknown_record: (issue) => `This ${issue.what} is no longer in the course.`,
  input_not_valid: (issue) => inputWords(issue),
  nothing_to_change: () => "Nothing changed.",
  nothing_to_release: () => "There is nothing new to release.",
  release_stopped: (issue) =>
    `${issue.name} was not released. In this course this stops a release: ${
      issue.finding === "leaks"
        ? "a student could work out a sealed score"
        : releaseFindingWords({ code: issue.finding, count: issue.count }).text
    }.`,
  time_is_past: () => "That moment has passed. Choose a later one, or release now.",
  number_taken: (issue) => `Student number ${issue.number} stands twice. Each number belongs to one student.`,
  name_taken: (issue) => `There is already one named ${issue.name}. Choose another name.`,
  sample_empty: () => "No paper was chosen. Choose at least one that is scored.",
  not_in_sample: () => "This paper is not among those that are marked a second time.",
  judgement_lacking: () => "There are no two judgements yet. Judge every criterion first.",
  reason_lacking: () => "Another figure than the first, the second or their mean needs a word why.",
  nothing_to_scale: () => "There is no score yet to scale.",
  no_spread: () => "All scores are the same: there is nothing to scale. They stay as they are.",
  same_x_twice: (issue) => `Both points of the line stand at ${inMark(issue.x)}. Choose two different scores.`,
  falling_line: (issue) =>
    `The line falls from ${inMark(issue.y1)} to ${inMark(issue.y2)}: a better score would count less. Turn the two points around.`,
  key_at_fault: (issue) => `The key of "${issue.question}" ${KEY_FAULTS[issue.what]}`,
  rubric_for_both: (issue) => `${issue.name} gives the score already. Outcomes need a rubric of their own.`,
  too_many_outcomes: (issue) =>
    `${counted(issue.given, "level of an outcome was", "levels of outcomes were")} typed, and there ${issue.most === 1 ? "is one outcome" : `are ${String(issue.most)} outcomes`}. Type one figure an outcome behind the o.`,
  rubric_at_fault: (issue) => findingWords(issue.finding),
  category_has_weight: (issue) =>
    `${issue.name} has a weight of ${inMark(issue.weight)} % already. Leave the weight out here, or change it at the category.`,
  weight_below_zero: (issue) => `A weight of ${inMark(issue.weight)} is below 0. Weights start at 0.`,
  bands_not_falling: (issue) =>
    `The letter ${issue.letter} does not start below the one before it. Put the letters from the highest down.`,
  due_before_given: () => "It would be due before students get it. Choose a later due date.",
  not_a_level: (issue) => `"${issue.text}" is not a level here. Type one of: ${issue.levels.join(", ")}.`,
  percent_between_points: (issue) =>
    `${inMark(issue.percent)} % of ${inMark(issue.maximum)} has more than four places. Type the points.`,
  percent_below_zero: (issue) => `${inMark(issue.percent)} % is below 0. Percentages of a rule start at 0.`,
  points_below_zero: (issue) => `${inMark(issue.points)} points are below 0. Points start at 0.`,
  unknown_time_zone: (issue) => `"${issue.text}" is no time zone. Choose one such as Europe/Lisbon.`,
  term_ends_before_start: (issue) => `${issue.name} would end before it starts. Choose a later end.`,
  terms_overlap: (issue) => `${issue.name} overlaps ${issue.other}. Let one end before the other starts.`,
  category_inside_itself: (issue) => `${issue.name} cannot be part of itself. Choose another place.`,
  rubric_in_use: (issue) =>
    `${counted(issue.papers, "paper is", "papers are")} judged by this rubric. Look at what changes, then do it again.`,
  level_in_use: (issue) => `Somebody was given ${issue.name}. Give it another name, or take it off those papers first.`,
  record_in_use: (issue) => `This ${issue.what} is used by ${issue.by}. Take it off there first.`,
  cells_refused: (issue) =>
    `${counted(issue.count, "entry is", "entries are")} refused, the first at ${issue.title}: ${issueWords(issue.first)} Nothing was entered.`,
  no_figure_to_adjust: (issue) => `${issue.title}: there is no figure yet to adjust.`,
  already_undone: () => "This change is undone already.",
  not_undoable: () => "This change cannot be undone by itself.",
  more_time_not_later: () => "More time ends after the due time of the assignment. Choose a later moment.",
  zone_beyond_page: (issue) => `The zone would lie partly beside page ${String(issue.page)}. Draw it on the page.`,
  file_taken_in: (issue) => `${issue.name} was taken in already. Nothing was taken in twice; look at the tray again.`,
  something_rests_on_it: (issue) => `Later changes rest on it (${issue.what}). Undo those first.`,
  no_such_attempt: (issue) => `There is no attempt ${String(issue.attempt)}.`,
  student_in_two_groups: () => "A student stands in two groups. Each student belongs to one.",
  nothing_to_undo: () => "Nothing to undo.",
  nothing_to_redo: () => "Nothing to redo.",
  course_damaged: () =>
    "This course can only be read: part of what the browser kept of it is damaged. Go on in a copy of it.",
};

/** The one place where an issue becomes words. */
export const issueWords = (issue: ChangeIssue): string => (ISSUES[issue.code] as (issue: ChangeIssue) => string)(issue);

/** Why a pasted row reaches nobody. */
export function pastedRowWords(issue: PastedRowIssue): string {
  switch (issue.code) {
    case "nobody":
      return `${issue.who || "A row without a name"}: nobody of that number or name.`;
    case "namesakes":
      return `${issue.who}: ${String(issue.count)} students bear that name. Paste their numbers.`;
    case "number_and_name_differ":
      return `${issue.who}: the number ${issue.number} is another student's.`;
    case "twice":
      return `${issue.who}: stands here a second time.`;
  }
}

/** What is unusual about an entry in a list of many, where nothing is asked one by one. */
export function unusualWords(issue: ChangeIssue): string {
  switch (issue.code) {
    case "score_above_maximum":
      return `${issue.text} is above the maximum of ${inMark(issue.maximum)}.`;
    case "student_is_missing":
      return "Marked missing; the score ends that.";
    case "student_is_excused":
      return "Marked excused; the score ends that.";
    default:
      return issueWords(issue);
  }
}

/** What is wrong with a rubric, or worth a look. */
export function findingWords(finding: RubricFinding): string {
  switch (finding.code) {
    case "levels_overlap":
      return `Two levels overlap at ${inMark(finding.at)}. Let one end before the next begins.`;
    case "level_upside_down":
      return `A level starts at ${inMark(finding.at)}, above its own end. Turn its bounds around.`;
    case "step_not_positive":
      return `A step of ${inMark(finding.at)} leads nowhere. Choose a step above 0.`;
    case "weight_below_zero":
      return `A weight of ${inMark(finding.at)} is below 0. Weights start at 0.`;
    case "gap_between_levels":
      return `No level covers the points between ${inMark(finding.below)} and ${inMark(finding.above)}.`;
    case "step_misses_top":
      return `The steps do not reach the level's end at ${inMark(finding.at)}; it can still be typed.`;
    case "scores_out_of_reach":
      return `No choice of levels gives ${inMark(finding.scores.join(" · "))}.`;
  }
}

export const canConfirm = (issue: ChangeIssue): boolean => "canConfirm" in issue;

/** Why a course file was not read in. */
export function fileIssueWords(issue: CourseFileIssue): string {
  switch (issue.code) {
    case "file_not_an_archive":
      return "This file is not a whole course file; it may have been cut short. Fetch it again from where it was kept.";
    case "file_not_a_course":
      return "This archive holds no course. Choose a file made by Files, Make a course file.";
    case "file_newer":
      return `This course file was made by a newer Upright Quill (version ${String(issue.version)}; this one reads up to ${String(issue.known)}). Open it there.`;
    case "file_part_missing":
      return `The course file lacks ${issue.part}. Fetch it again from where it was kept.`;
    case "file_part_damaged":
      return `In the course file, ${issue.part} is damaged. Fetch it again from where it was kept.`;
    case "file_too_large":
      return `The course file would unpack to ${String(Math.round(issue.bytes / 1e6))} MB, which is more than fits.`;
  }
}

/** Why a course file that was just made is not handed over. */
export function unprovenWords(issue: UnprovenIssue): string {
  if (issue.code === "course_too_large") {
    return "This course and its files come to more than 2,000 MB, which is more than one course file holds. Nothing was written; take large files off and try again.";
  }
  const why = issue.why
    ? fileIssueWords(issue.why).replace(/ (Fetch it again|Choose a file).*/, "")
    : "What came back was not the same.";
  return `The course file was made and did not come back whole when it was read again, so it was not saved. ${why} Your course is as it was; tell whoever keeps this application.`;
}

/** Why a rubric file is not taken. */
export function rubricFileWords(issue: RubricFileIssue): string {
  switch (issue.code) {
    case "rubric_file_not_read":
      return "it cannot be read as CSV or JSON. Save it again from where it came.";
    case "rubric_file_no_rubric":
      return "no rubric was found in it. CSV needs the columns criterionDescription and levelScore.";
    case "rubric_file_figure":
      return `line ${String(issue.line)}: "${issue.text}" is not a plain figure. Mend it there and read it again.`;
    case "rubric_file_fault":
      return findingWords(issue.finding);
  }
}

/** Why a line of a roster cannot be taken. */
export function rosterWords(issue: RosterIssue): string {
  switch (issue.code) {
    case "no_name":
      return `Line ${String(issue.line)} has no name and is left out.`;
    case "open_quote":
      return `Line ${String(issue.line)}: a quotation mark is not closed. The line was read as it stands; look at it.`;
    case "number_twice":
      return `Line ${String(issue.line)}: number ${issue.number} stands twice. The first one counts.`;
    case "number_taken":
      return `Line ${String(issue.line)}: number ${issue.number} is on the roster already.`;
  }
}

/** Why a line of shorthand is not understood yet. */
export function shorthandWords({ code, line, text }: ShorthandIssue): string {
  switch (code) {
    case "no_name":
      return `Line ${String(line)} begins with its name, such as Essay, 20 points.`;
    case "no_points":
      return `${text}: how many points? Add a part such as 12 points.`;
    case "part_not_understood":
      return `Line ${String(line)}: "${text}" is not understood. Try 12 points, 14 Sep, weekly from 14 Sep, in Papers, on paper, bonus.`;
    case "range_too_long":
      return `${text} would make more than 60 assignments. Choose a shorter range.`;
    case "series_without_start":
      return `Line ${String(line)}: ${text} from when? Write such as weekly from 14 Sep.`;
  }
}

/** `14:02`, by this computer's clock. */
export const clockText = (instant: string): string =>
  new Date(instant).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
