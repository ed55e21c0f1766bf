import { Link } from "react-router";
import { useChange } from "../../../course/use-change";
import { useNews } from "../../../course/use-news";
import { useState } from "react";
import type { Assignment, CourseState } from "#core/model";
import { counted } from "#core/words";
import { deskAddress, inAddress } from "../../../ui/address";
import { MoreTime } from "./more-time";
import type { StillOut as Out } from "../who-is-out";

/** Who is still out beside the tray, and what can be done about it. */
export function StillOut({
  state,
  slot,
  assignment,
  due,
  students,
  all,
}: {
  readonly state: CourseState;
  readonly slot: string;
  readonly assignment: Assignment;
  readonly due: string;
  readonly students: readonly Out[];
  /** How many students there are. */
  readonly all: number;
}) {
  const change = useChange();
  const news = useNews();
  const [gives, setGives] = useState(false);
  const over = students.filter(({ isOver }) => isOver);
  const remind = `/courses/${slot}/release/remind?kind=nothingIn&assignment=${inAddress(assignment.id)}`;
  return (
    <section aria-label="Still out">
      <h2 className="text-[14px] font-semibold">
        {students.length === 0 ? "Everybody has handed in" : `Still out: ${String(students.length)} of ${String(all)}`}
      </h2>
      <p className="figures text-[13px] text-soft">
        {assignment.name}, {due}
      </p>
      <OutList slot={slot} assignmentId={assignment.id} students={students} />
      {students.length > 0 && (
        <button
          type="button"
          aria-haspopup="dialog"
          className="link mt-2 text-[14px]"
          onClick={() => {
            setGives(true);
          }}
        >
          More time
        </button>
      )}
      {gives && (
        <MoreTime
          state={state}
          assignment={assignment}
          over={over.map(({ studentId }) => studentId)}
          onClose={() => {
            setGives(false);
          }}
        />
      )}
      {over.length > 0 && (
        <p className="mt-2 flex flex-wrap items-center gap-3 text-[14px]">
          <Link className="act" to={remind}>
            Remind {over.length}
          </Link>
          <button
            type="button"
            className="link"
            onClick={() =>
              void change({
                type: "enterScores",
                how: "set missing",
                cells: over.map(({ studentId }) => ({ assignmentId: assignment.id, studentId, text: "m" })),
              }).then(news)
            }
          >
            Mark {counted(over.length, "student")} missing
          </button>
        </p>
      )}
    </section>
  );
}

interface OutListProps {
  readonly slot: string;
  readonly assignmentId: Assignment["id"];
  readonly students: readonly Out[];
}

function OutList({ slot, assignmentId, students }: OutListProps) {
  return (
    <ul className="figures mt-1 max-h-[50vh] overflow-auto text-[14px]">
      {students.map(({ studentId, name, words, isOver }) => (
        <li key={studentId} className="flex justify-between gap-3 border-b border-rule py-1.5">
          <Link className="truncate hover:underline" to={deskAddress(slot, assignmentId, studentId)}>
            {name}
          </Link>
          <span className={`shrink-0 text-[13px] ${isOver ? "text-wax" : "text-soft"}`}>{words}</span>
        </li>
      ))}
    </ul>
  );
}
