import { Link } from "react-router";
import { deskAddress } from "../../../ui/address";
import { DraftField } from "../../../ui/fields/draft-field";
import { InlineField } from "../../../ui/fields/inline-field";
import { troubleOf } from "../../../ui/hooks/use-command";
import type { quickRows } from "./rows";
import type { SendChange } from "../../../course/use-change";

const STANDING_WORDS = { expected: "nothing in", handedIn: "", missing: "missing", excused: "excused" } as const;

interface QuickLineProps {
  readonly slot: string;
  readonly assignment: ReturnType<typeof quickRows>["assignment"];
  readonly row: ReturnType<typeof quickRows>["rows"][number];
  readonly send: SendChange;
}

/** One student of the quick list: the score, the comment, and the posts they stand for. */
export function QuickLine({ slot, assignment, row, send }: QuickLineProps) {
  const { studentId, name, number, entry, comment, standing, posts } = row;
  const place = { assignmentId: assignment.id, studentId };
  return (
    <li className="flex flex-wrap items-start gap-x-4 border-b border-rule py-1.5 text-[15px]">
      {posts.length > 0 && (
        <ul
          aria-label={`Posts of ${name}`}
          className="order-last w-full ps-56 pb-1 font-serif text-[15.5px] leading-snug"
        >
          {posts.map(({ id, text }) => (
            <li key={id} className="mt-1 border-s-2 border-rule ps-3 whitespace-pre-wrap">
              {text}
            </li>
          ))}
        </ul>
      )}
      <span className="w-52 shrink-0 truncate pt-1.5">
        <Link className="font-semibold hover:underline" tabIndex={-1} to={deskAddress(slot, assignment.id, studentId)}>
          {name}
        </Link>{" "}
        <span className="figures text-[13px] text-soft">{number}</span>
      </span>
      <InlineField
        place={`entry/${assignment.id}/${studentId}`}
        label={`Score of ${name}`}
        labelHidden
        className="w-28 shrink-0"
        value={entry}
        onKeep={async (text, confirmed) =>
          troubleOf(
            await send({
              type: "setScore",
              ...place,
              text: text === "" ? "-" : text,
              seen: entry,
              confirmed,
            }),
          )
        }
      />
      <span className="w-20 shrink-0 pt-1.5 text-[13.5px] text-soft">{STANDING_WORDS[standing]}</span>
      <DraftField
        place={`overall/${place.assignmentId}/${place.studentId}`}
        label={`Comment to ${name}`}
        labelHidden
        className="-mt-0.5 min-w-0 flex-1"
        value={comment}
        placeholder="Comment"
        onKeep={(text, seen) => send({ type: "setComment", ...place, facing: "student", text, seen })}
      />
    </li>
  );
}
