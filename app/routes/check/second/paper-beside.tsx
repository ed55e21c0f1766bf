import { useMemo } from "react";
import type { FileId, StudentId } from "#core/kernel";
import { handInOf, notesOf, rubricOf, secondMarkOf, type Note } from "#core/model";
import { criterionColour } from "../../../ui/colours";
import { LazyWork } from "../../../ui/beside/lazy-work";
import type { EvidenceTarget } from "../../../ui/work/types";
import type { Looked } from "../rows";

const HEIGHT = 620;

/** The paper beneath both judgements, with the remarks of both markers; those of the second are drawn in plum. */
export function PaperBeside({
  looked: { state, assignment },
  studentId,
  read,
}: {
  readonly looked: Looked;
  readonly studentId: StudentId;
  readonly read: (id: FileId) => Promise<Blob | null>;
}) {
  const file = handInOf(state, assignment.id, studentId)?.attempts.at(-1)?.files.at(-1) ?? null;
  const mark = secondMarkOf(state, assignment.id, studentId);
  const notes = useMemo(() => {
    const own = notesOf(state, assignment.id, studentId);
    const theirs = (mark?.notes ?? []).map((note): Note => {
      const { markerId } = mark ?? {};
      const whose = { assignmentId: assignment.id, studentId, forGroup: false };
      return { ...note, ...whose, colour: "plum", by: markerId ?? ("marker:none" as Note["by"]) };
    });
    return [...own, ...theirs].filter(({ fileId }) => fileId === file?.id);
  }, [state, assignment.id, studentId, mark, file]);
  const first = rubricOf(state, assignment)?.criteria[0];
  const criterion: EvidenceTarget = {
    id: first?.id ?? ("criterion:none" as EvidenceTarget["id"]),
    name: first?.name ?? "",
    colour: criterionColour(0),
  };
  if (!file) return <p className="mt-2 text-[14px] text-soft">This work lies on paper.</p>;
  return (
    <div className="mt-2 border border-rule bg-table" style={{ height: HEIGHT }}>
      <LazyWork key={file.id} file={file} notes={notes} criterion={criterion} read={read} height={HEIGHT} />
    </div>
  );
}
