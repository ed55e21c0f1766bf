import { useMemo, useState } from "react";
import type { StudentId } from "#core/kernel";
import { courseOf } from "#core/model";
import { counted } from "#core/words";
import { locksFor, LOCKING_WORDS, type Locking } from "../../../locks/copy-locks";
import { PassphraseLists } from "../../../locks/passphrase-lists";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { saveAs } from "../../../ui/save-as";
import { useJob } from "../../../ui/hooks/use-job";
import { troubleOf } from "../../../ui/hooks/use-command";
import { UnderStep } from "../../../ui/parts/under-step";
import { useChange } from "../../../course/use-change";
import { RecordTable } from "../../../ui/table/record-table";
import type { Route } from "./+types/page";
import { deliverRows } from "./rows";
import { columnsOf } from "./columns";
import { HasLeft } from "./has-left";
import { Wish } from "./wish";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  return { repository, shown: live(session, (state) => deliverRows(state, session.now())) };
}

export default function DeliverPage({ loaderData, params }: Route.ComponentProps) {
  const { repository } = loaderData;
  const { state, students, at, sections, deliveries } = useLive(loaderData.shown);
  const [sectionId, setSectionId] = useState("");
  const [locking, setLocking] = useState<Locking>("archive");
  const [lists, setLists] = useState<readonly ReturnType<typeof locksFor>[]>([]);
  const [left, setLeft] = useState<ReadonlySet<StudentId>>(new Set());
  const job = useJob();
  const change = useChange();
  const { timeZone } = courseOf(state);
  const shown = useMemo(
    () => students.filter((student) => sectionId === "" || student.sectionId === sectionId),
    [students, sectionId],
  );
  const columns = useMemo(() => columnsOf(params.slot, left, setLeft), [params.slot, left]);
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
      <UnderStep step="Release" to={`/courses/${params.slot}/release`} title="Student copies" />
      <p className="mt-1 text-soft">
        For each student one page that opens in any browser without a network, and one PDF: exactly what they see in
        their window, with their marked work inside. From then on it counts as seen.
      </p>
      <Wish
        {...{ sections, sectionId, setSectionId, locking, setLocking }}
        count={chosen.length}
        isBusy={job.progress !== null}
        onMake={() => void make()}
      />
      <p className="mt-2 text-[13.5px] text-soft">{LOCKING_WORDS[locking]}</p>
      <JobStatus job={job} />
      <PassphraseLists state={state} lists={lists} />
      <RecordTable
        className="mt-2"
        label="Students and what they see"
        records={shown}
        columns={columns}
        keyOf={({ id }) => id}
      />
      {deliveries.length > 0 && <HasLeft deliveries={deliveries} timeZone={timeZone} />}
    </main>
  );
}
