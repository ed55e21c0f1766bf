import type { Command } from "#core/changes";
import type { Course } from "#core/model";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { InlineField } from "../../../ui/fields/inline-field";

type Send = (command: Command) => Promise<string | null>;

const zones = Intl.supportedValuesOf("timeZone");

/** The names of the course, and the time zone its due times are read in. */
export function Details({ course, send }: { readonly course: Course; readonly send: Send }) {
  const keep = (field: "title" | "shortTitle" | "institution" | "timeZone") => (text: string) =>
    text === "" && field !== "institution"
      ? Promise.resolve("This cannot be empty.")
      : send({ type: "editCourse", fields: { [field]: text } });
  return (
    <section aria-label="The course" className="space-y-3">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">The course</h2>
      <InlineField label="Title" value={course.title} maxLength={200} onKeep={keep("title")} />
      <InlineField
        label="Short title, for the bar"
        value={course.shortTitle}
        maxLength={200}
        onKeep={keep("shortTitle")}
      />
      <InlineField label="Institution" value={course.institution} maxLength={200} onKeep={keep("institution")} />
      <InlineField label="Time zone of due times" list="time-zones" value={course.timeZone} onKeep={keep("timeZone")} />
      <ChoiceField
        label="Students are listed by"
        value={course.namesBy}
        options={[
          ["given", "Given name: Bram Oduya"],
          ["family", "Family name: Oduya, Bram"],
        ]}
        onKeep={(namesBy) => send({ type: "editCourse", fields: { namesBy } })}
      />
      <ChoiceField
        label="Decimals are written"
        value={course.decimalMark}
        options={[
          ["point", "17.5, with a point"],
          ["comma", "17,5, with a comma"],
        ]}
        onKeep={(decimalMark) => send({ type: "editCourse", fields: { decimalMark } })}
      />
      <ChoiceField
        label="Dates such as 3/10 mean"
        value={course.dateOrder}
        options={[
          ["day", "The day first: 3 October"],
          ["month", "The month first: 10 March"],
        ]}
        onKeep={(dateOrder) => send({ type: "editCourse", fields: { dateOrder } })}
      />
      <datalist id="time-zones">
        {zones.map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
    </section>
  );
}
