import type { ChangeIssue } from "#core/changes";
import type { StudentId } from "#core/kernel";
import type { VisibleChange } from "#core/release";
import { counted, FACET_WORDS } from "#core/words";
import { issueWords } from "../../ui/words/words";

/** Names spelled out before "and 20 more". */
const NAMED = 6;

/** `Ada Ames, Ben Bolt and 3 more`. */
export function namesWords(ids: readonly StudentId[], nameOf: (id: string) => string): string {
  const names = ids.slice(0, NAMED).map(nameOf);
  const more = ids.length - names.length;
  if (more > 0) return `${names.join(", ")} and ${String(more)} more`;
  const last = names.pop() ?? "";
  return names.length > 0 ? `${names.join(", ")} and ${last}` : last;
}

/** What a change would do to what students see, in numbers and names; or why it is refused. */
export function PreviewList({
  preview,
  nameOf,
}: {
  readonly preview: readonly VisibleChange[] | ChangeIssue;
  readonly nameOf: (id: string) => string;
}) {
  if ("code" in preview) return <p className="mt-2 text-[14px] text-wax">{issueWords(preview)}</p>;
  if (preview.length === 0) return <p className="mt-2 text-[14px] text-soft">No student would see anything else.</p>;
  return (
    <ul aria-label="Who would see what" className="mt-2 space-y-1 text-[14px]">
      {preview.map(({ what, facet, gain, change, lose }) => (
        <li key={`${what}${facet ?? ""}`}>
          <span className="font-semibold">
            {what}
            {facet ? `, ${FACET_WORDS[facet].toLowerCase()}` : " total"}
          </span>
          {(
            [
              [gain, "newly"],
              [change, "otherwise"],
              [lose, "no longer"],
            ] as const
          ).map(
            ([ids, how]) =>
              ids.length > 0 && (
                <span key={how} className="figures block ps-3 text-[13.5px] text-soft">
                  {counted(ids.length, "student")} would see it {how}: {namesWords(ids, nameOf)}
                </span>
              ),
          )}
        </li>
      ))}
    </ul>
  );
}
