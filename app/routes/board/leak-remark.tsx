import { Link } from "react-router";
import { counted } from "#core/words";

interface LeakRemarkProps {
  readonly home: string;
  /** How many students could work this sealed score out. */
  readonly students: number;
}

/** Said on the card of a sealed assignment that students could work out of what they see. */
export function LeakRemark({ home, students }: LeakRemarkProps) {
  if (students === 0) return null;
  return (
    <p className="figures text-[13px]">
      <Link className="text-wax underline underline-offset-2" to={`${home}/release/leaks`}>
        Sealed, and {counted(students, "student")} could work it out
      </Link>
    </p>
  );
}
