import { useState } from "react";
import { Link } from "react-router";
import { hasContent, studentCopyOf } from "#core/formats";
import type { StudentId } from "#core/kernel";
import { courseOf, deliveriesOf, rosterName, sectionsOf, studentsOf } from "#core/model";
import { counted, momentText } from "#core/words";
import { locksFor, LOCKING_WORDS, LOCKINGS, type Locking } from "../../../locks/copy-locks";
import { PassphraseLists } from "../../../locks/passphrase-lists";
import { openCourse } from "../../../course/open-course";
import { windowAddress } from "../../../ui/address";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { saveAs } from "../../../ui/save-as";
import { useJob } from "../../../ui/hooks/use-job";
import { troubleOf } from "../../../ui/hooks/use-command";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { UnderRelease } from "../../../ui/parts/under-release";
import { useChange } from "../../../course/use-change";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const { state } = session;
  const at = session.now();
  const students = studentsOf(state).map((student) => {
    const content = studentCopyOf(state, student.id, at);
    return {
      id: student.id,
      name: rosterName(state, student),
      number: student.number,
      sectionId: student.sectionId,
      letters: content?.letters.length ?? 0,
      totals: content?.totals.length ?? 0,
      has: content !== null && hasContent(content),
    };
  });
  return { state, repository, students, at, sections: sectionsOf(state), deliveries: deliveriesOf(state) };
}

export default function DeliverPage({ loaderData, params }: Route.ComponentProps) {
  const { state, repository, students, at, sections, deliveries } = loaderData;
  const [sectionId, setSectionId] = useState("");
  const [locking, setLocking] = useState<Locking>("archive");
  const [lists, setLists] = useState<readonly ReturnType<typeof locksFor>[]>([]);
  const [left, setLeft] = useState<ReadonlySet<StudentId>>(new Set());
  const job = useJob();
  const change = useChange();
  const { timeZone } = courseOf(state);
  const shown = students.filter((student) => sectionId === "" || student.sectionId === sectionId);
  const chosen = shown.filter(({ id, has }) => has && !left.has(id));

  const make = () =>
    job.run(async (signal, tell) => {
      const { makeCopies } = await import("../../../exports/student-copies");
      const studentIds = chosen.map(({ id }) => id);
      const made = locksFor(locking, studentIds);
      const wish = {
        state,
        repository,
        slot: params.slot,
        studentIds,
        lockOf: (id: StudentId) => made.get(id) ?? null,
        signal,
        tell,
      };
      const archive = await makeCopies(wish, (copies, pack) => pack(copies.flatMap(({ files }) => files)));
      const trouble = troubleOf(await change({ type: "noteDelivery", locked: locking !== "none", studentIds }));
      if (trouble) throw new Error(trouble);
      const name = `student-copies-${at.slice(0, 10)}.zip`;
      saveAs(new Blob([archive], { type: "application/zip" }), name);
      setLists((before) => [...before, made]);
      return `${name} was saved with the copies of ${counted(chosen.length, "student")}.`;
    });

  return (
    <main className="mx-auto w-full max-w-[860px] px-[30px] pt-6 pb-16">
      <title>Student copies · Upright Quill</title>
      <UnderRelease to={`/courses/${params.slot}/release`} title="Student copies" />
      <p className="mt-1 text-soft">
        For each student one page that opens in any browser without a network, and one PDF: exactly what they see in
        their window, with their marked work inside. From then on it counts as seen.
      </p>
      <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3 text-[14px]">
        {sections.length > 0 && (
          <ChoiceField
            label="For"
            value={sectionId}
            options={[["", "everyone"], ...sections.map(({ id, name }) => [id, name] as const)]}
            onKeep={(value) => {
              setSectionId(value);
              return undefined;
            }}
          />
        )}
        <ChoiceField
          label="Lock"
          value={locking}
          options={LOCKINGS}
          onKeep={(value) => {
            setLocking(value);
            return undefined;
          }}
        />
        <button
          type="button"
          className="act act-first"
          disabled={chosen.length === 0 || job.progress !== null}
          onClick={() => void make()}
        >
          {chosen.length === 0 ? "Nothing to give out yet" : `Make copies for ${counted(chosen.length, "student")}`}
        </button>
      </div>
      <p className="mt-2 text-[13.5px] text-soft">{LOCKING_WORDS[locking]}</p>
      <JobStatus job={job} />
      <PassphraseLists state={state} lists={lists} />
      <table className="mt-2 w-full text-[14px]">
        <caption className="sr-only">Students and what they see</caption>
        <thead>
          <tr className="border-b border-rule text-left text-[13.5px] text-soft">
            <th className="py-1 font-normal">Student</th>
            <th className="font-normal">Number</th>
            <th className="font-normal">What the copy holds</th>
            <th>
              <span className="sr-only">Look</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((student) => (
            <tr key={student.id} className="figures border-b border-rule">
              <td className="py-1">
                <label className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-4 accent-green"
                    disabled={!student.has}
                    checked={student.has && !left.has(student.id)}
                    onChange={(event) => {
                      const next = new Set(left);
                      if (event.target.checked) next.delete(student.id);
                      else next.add(student.id);
                      setLeft(next);
                    }}
                  />
                  {student.name}
                </label>
              </td>
              <td>{student.number}</td>
              <td className="text-soft">
                {student.has
                  ? [counted(student.letters, "letter"), student.totals > 0 ? counted(student.totals, "total") : ""]
                      .filter(Boolean)
                      .join(", ")
                  : "nothing released yet"}
              </td>
              <td className="text-right">
                <Link className="link" to={windowAddress(params.slot, student.id)}>
                  Look<span className="sr-only"> at what {student.name} sees</span>
                </Link>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {deliveries.length > 0 && (
        <section aria-label="What has left" className="mt-6">
          <h2 className="font-semibold">What has left</h2>
          <ul className="figures mt-1 text-[14px] text-soft">
            {deliveries.map(({ id, at: when, how, locked, studentIds }) => (
              <li key={id} className="py-0.5">
                {momentText(when, timeZone)}: {how === "files" ? "copies made" : "letters sent"} for{" "}
                {counted(studentIds.length, "student")}
                {locked ? ", locked" : ""}
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}
