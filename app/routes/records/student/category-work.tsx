import { Link } from "react-router";
import type { WorkRow, studentRows } from "./rows";

/** The work of one category with what each came to. */
export function CategoryWork({
  category,
  addressOf,
}: {
  readonly category: ReturnType<typeof studentRows>["categories"][number];
  readonly addressOf: (work: WorkRow) => string;
}) {
  return (
    <section aria-label={category.name} className="mb-5 break-inside-avoid">
      <h2 className="flex justify-between border-t-2 border-ink pt-1.5 text-sm font-semibold">
        <span>{category.name}</span>
        <span className="figures">{category.percent}</span>
      </h2>
      <table className="mt-1 w-full text-[14px]">
        <caption className="sr-only">Work in {category.name}</caption>
        <tbody>
          {category.work.map((work) => (
            <Work key={work.assignmentId} work={work} to={addressOf(work)} />
          ))}
        </tbody>
      </table>
      {category.work.length === 0 && <p className="text-[14px] text-soft">No assignment yet.</p>}
    </section>
  );
}

function Work({ work, to }: { readonly work: WorkRow; readonly to: string }) {
  return (
    <tr className="border-b border-rule align-baseline">
      <th scope="row" className="py-1 text-left font-normal">
        <Link to={to} className="hover:underline">
          {work.name}
        </Link>
        {work.comment && <span className="block text-[13px] text-soft">{work.comment}</span>}
      </th>
      <td className="w-24 text-soft">{work.due}</td>
      <td className={`w-40 ${work.tone}`}>{work.standing}</td>
      <td className="figures w-28 text-right">{work.figure}</td>
      <td className="figures w-20 text-right text-soft">{work.percent}</td>
    </tr>
  );
}
