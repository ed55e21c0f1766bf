import { Link } from "react-router";
import type { Assignment, Student, Zone, ZoneTarget } from "#core/model";
import { deskAddress, inAddress } from "../../../ui/address";
import { Tick } from "../../../ui/fields/tick";
import { ZoneList } from "./zone-list";
import type { askedOf } from "./rows";

interface AnsweredProps {
  readonly slot: string;
  readonly assignment: Assignment;
  readonly student: Student;
  readonly name: string;
  readonly asked: ReturnType<typeof askedOf>;
  readonly zones: readonly Zone[];
  readonly chosen: ZoneTarget | null;
  /** Zones of this paper alone are drawn. */
  readonly alone: boolean;
  readonly trouble: string | null;
  readonly onChoose: (of: ZoneTarget) => void;
  readonly onAlone: (alone: boolean) => void;
  readonly onAdd: (page: number) => void;
  readonly onClear: (of: ZoneTarget) => void;
}

/** What is asked of a paper, where each is answered, and where to go with it. */
export function Answered(props: AnsweredProps) {
  const { slot, assignment, student, name, asked, zones, chosen, alone, trouble } = props;
  return (
    <section aria-label="What is answered" className="overflow-auto border-e border-rule px-5 py-5">
      <p className="text-[14px]">
        <Link className="link" to={deskAddress(slot, assignment.id, student.id)}>
          {name}
        </Link>
      </p>
      <h1 className="page-title">Zones</h1>
      <p className="mt-1 text-[14px] text-soft">
        Draw on the paper where each criterion or question is answered. That part of every paper of {assignment.name}{" "}
        then stands in the sweep, the desk goes to it.
      </p>
      <div className="mt-3">
        <Tick checked={alone} onChange={props.onAlone}>
          For this paper alone
        </Tick>
      </div>
      <ZoneList
        asked={asked}
        zones={zones}
        chosen={chosen}
        onChoose={props.onChoose}
        onAdd={props.onAdd}
        onClear={props.onClear}
      />
      {trouble && (
        <p role="alert" className="mt-3 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      <p className="mt-4 flex gap-2 text-[14px]">
        {asked.some(({ id }) => id.startsWith("criterion:")) && (
          <Link className="act" to={`/courses/${slot}/sweep/${inAddress(assignment.id)}`}>
            To the sweep
          </Link>
        )}
        {asked.some(({ id }) => id.startsWith("question:")) && (
          <Link className="act" to={`/courses/${slot}/answers/${inAddress(assignment.id)}`}>
            To the answers
          </Link>
        )}
      </p>
    </section>
  );
}
