import { studentsOf, type Assignment, type CourseState } from "#core/model";
import { dueWords } from "../rows";
import type { stillOut } from "../who-is-out";
import { StillOut } from "./still-out";
import { TakeOut } from "./take-out";
import type { Repository } from "#storage";

interface BesideProps {
  readonly slot: string;
  readonly repository: Repository;
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly out: ReturnType<typeof stillOut>;
}

/** Beside the tray: who is still out, and what can leave. */
export function Beside({ slot, repository, state, assignment, out }: BesideProps) {
  return (
    <aside className="bg-table px-[22px] pt-6 pb-8">
      <StillOut
        state={state}
        slot={slot}
        assignment={assignment}
        due={dueWords(state, assignment)}
        students={out}
        all={studentsOf(state).length}
      />
      <TakeOut
        repository={repository}
        slot={slot}
        state={state}
        assignment={assignment}
        out={out.map(({ studentId }) => studentId)}
      />
    </aside>
  );
}
