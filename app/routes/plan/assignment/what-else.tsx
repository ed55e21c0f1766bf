import { Link } from "react-router";
import { inAddress } from "../../../ui/address";
import { CopyElsewhere } from "./copy-elsewhere";
import type { Assignment } from "#core/model";
import type { SendChange } from "../../../course/use-change";
import type { CourseListing } from "#storage";

interface WhatElseProps {
  readonly slot: string;
  readonly assignment: Assignment;
  readonly others: readonly CourseListing[];
  readonly send: SendChange;
  readonly onRemove: () => void;
}

/** Ways on from an assignment: its questions or posts, the pile, a copy, its end. */
export function WhatElse({ slot, assignment, others, send, onRemove }: WhatElseProps) {
  return (
    <section aria-label="What else" className="space-y-3">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">What else</h2>
      <div className="flex flex-wrap gap-3">
        {(assignment.channel === "answers" || assignment.channel === "discussion") && (
          <Link
            className="act"
            to={`/courses/${slot}/plan/assignments/${inAddress(assignment.id)}/${assignment.channel === "answers" ? "questions" : "posts"}`}
          >
            {assignment.channel === "answers" ? "Questions and their keys" : "Read in posts"}
          </Link>
        )}
        <Link className="act act-quiet" to={`/courses/${slot}/pile/${inAddress(assignment.id)}`}>
          Enter scores from the pile
        </Link>
        <button
          type="button"
          className="act act-quiet"
          onClick={() => void send({ type: "duplicateAssignment", assignmentId: assignment.id })}
        >
          Duplicate
        </button>
        <button type="button" className="act act-quiet" onClick={onRemove}>
          Remove
        </button>
      </div>
      {others.length > 0 && <CopyElsewhere slot={slot} assignmentId={assignment.id} others={others} />}
    </section>
  );
}
