import { Link } from "react-router";
import { studentAddress, windowAddress } from "../../../ui/address";
import { useGoTo } from "../../../ui/ways/use-go-to";
import type { studentRows } from "./rows";

/** The ways on from a student. */
export function Links({
  slot,
  studentId,
  rows,
}: {
  readonly slot: string;
  readonly studentId: string;
  readonly rows: ReturnType<typeof studentRows>;
}) {
  const goTo = useGoTo();
  const go = (id: string | null) => {
    if (id) goTo(studentAddress(slot, id));
  };
  return (
    <p className="flex gap-5 text-sm print:hidden">
      <button
        type="button"
        className="link disabled:opacity-40"
        disabled={!rows.before}
        onClick={() => {
          go(rows.before);
        }}
      >
        Student before
      </button>
      <button
        type="button"
        className="link disabled:opacity-40"
        disabled={!rows.after}
        onClick={() => {
          go(rows.after);
        }}
      >
        Next student
      </button>
      <Link className="link" to={windowAddress(slot, studentId)}>
        What they see
      </Link>
      <button
        type="button"
        className="link"
        onClick={() => {
          window.print();
        }}
      >
        Print
      </button>
    </p>
  );
}
