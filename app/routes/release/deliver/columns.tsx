import { Link } from "react-router";
import type { StudentId } from "#core/kernel";
import { counted } from "#core/words";
import { windowAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { Tick } from "../../../ui/fields/tick";
import type { deliverRows } from "./rows";

type Addressee = ReturnType<typeof deliverRows>["students"][number];

export const columnsOf = (
  slot: string,
  left: ReadonlySet<StudentId>,
  setLeft: (left: ReadonlySet<StudentId>) => void,
): readonly RecordColumn<Addressee>[] => [
  {
    id: "student",
    head: "Student",
    by: ({ name }) => name,
    cell: ({ id, name, has }) => (
      <Tick
        disabled={!has}
        checked={has && !left.has(id)}
        onChange={(chosen) => {
          const next = new Set(left);
          if (chosen) next.delete(id);
          else next.add(id);
          setLeft(next);
        }}
      >
        {name}
      </Tick>
    ),
  },
  { id: "number", head: "Number", by: ({ number }) => number, cell: ({ number }) => number, className: "figures" },
  {
    id: "holds",
    head: "What the copy holds",
    by: ({ has, letters, totals }) => (has ? letters + totals : null),
    cell: ({ has, letters, totals }) =>
      has
        ? [counted(letters, "letter"), totals > 0 ? counted(totals, "total") : ""].filter(Boolean).join(", ")
        : "nothing released yet",
    className: "figures text-soft",
  },
  {
    id: "look",
    head: "Look",
    quiet: true,
    cell: ({ id, name }) => (
      <Link className="link" to={windowAddress(slot, id)}>
        Look<span className="sr-only"> at what {name} sees</span>
      </Link>
    ),
    className: "text-right",
  },
];
