import { Link } from "react-router";
import { counted } from "#core/words";
import type { Unsaved } from "../../course/saved-outside";

export function Attention({
  undated,
  weights,
  weightless,
  demo,
  replies,
  unsaved,
  folderTrouble,
  broken,
  home,
}: {
  readonly undated: readonly string[];
  readonly weights: string | null;
  /** Categories with work that no total takes in. */
  readonly weightless: readonly string[];
  readonly demo: boolean;
  /** Replies of students that nobody has read. */
  readonly replies: number;
  readonly unsaved: Unsaved | null;
  /** Why no copy could be written into its folder; empty where none was to be. */
  readonly folderTrouble: string;
  /** The first change that does not follow the one before it in the journal's chain; null where all do. */
  readonly broken: number | null;
  readonly home: string;
}) {
  const isNothing = undated.length === 0 && !weights && weightless.length === 0 && !demo && replies === 0;
  if (isNothing && !unsaved && folderTrouble === "" && broken === null) return null;
  return (
    <ul className="mt-4 flex flex-wrap gap-x-8 gap-y-1 border-y border-rule py-2 text-sm">
      {undated.length > 0 && (
        <li>
          <strong className="text-ochre">Undated:</strong> {undated.join(", ")} {undated.length === 1 ? "has" : "have"}{" "}
          no due date.
        </li>
      )}
      {weights && (
        <li>
          <strong className="text-ochre">Weights</strong> come to {weights} %, not 100.
        </li>
      )}
      {weightless.length > 0 && (
        <li>
          <strong className="text-ochre">No weight:</strong> totals leave out {weightless.join(", ")}.{" "}
          <Link className="link" to={`${home}/plan`}>
            Give it one under Plan
          </Link>
        </li>
      )}
      {replies > 0 && (
        <li>
          <strong className="text-ochre">{counted(replies, "unread reply", "unread replies")}:</strong>{" "}
          <Link className="link" to={`${home}/waiting`}>
            read what students wrote
          </Link>
        </li>
      )}
      <OfKeeping {...{ home, broken, unsaved, folderTrouble }} />
      {demo && (
        <li>
          This is the demo course; nothing in it is real.{" "}
          <Link className="link" to={`${home}/files#empty`}>
            Start an empty course
          </Link>
        </li>
      )}
    </ul>
  );
}

/** What stands in this browser alone. */
const unsavedWords = ({ since, days, changes }: Unsaved): string =>
  since === null
    ? `${counted(changes, "change")} in ${counted(days, "day")}, and never saved anywhere else.`
    : `${counted(changes, "change")} since it was saved elsewhere ${counted(days, "day")} ago.`;

interface OfKeepingProps {
  readonly home: string;
  readonly broken: number | null;
  readonly unsaved: Unsaved | null;
  readonly folderTrouble: string;
}

/** What is to be said of how the course is kept. */
function OfKeeping({ home, broken, unsaved, folderTrouble }: OfKeepingProps) {
  return (
    <>
      {broken !== null && (
        <li>
          <strong className="text-wax">Changed from outside:</strong> the journal does not hold together at change{" "}
          {broken}.{" "}
          <Link className="link" to={`${home}/journal`}>
            Check it under Journal
          </Link>
        </li>
      )}
      {(unsaved ?? folderTrouble !== "") && (
        <li>
          <strong className="text-ochre">Only in this browser:</strong>{" "}
          {unsaved ? unsavedWords(unsaved) : "the last copy could not be written into its folder."}{" "}
          <Link className="link" to={`${home}/files#${unsaved ? "course-file" : "folder"}`}>
            {unsaved ? "Make a course file" : "See why"}
          </Link>
        </li>
      )}
    </>
  );
}
