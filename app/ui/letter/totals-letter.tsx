import type { TotalCopy } from "#core/model";
import { toldWords } from "#core/words";
import { inMark } from "../words/figures";

/** The totals a student was given, each with how it came about as far as they may know it. */
export function TotalsLetter({ totals, name }: { readonly totals: readonly TotalCopy[]; readonly name: string }) {
  return (
    <article aria-label={`Totals, for ${name}`} className="text-[15px]">
      <h2 className="font-serif text-[20px] leading-tight font-semibold">Where you stand</h2>
      {totals.length === 0 && <p className="mt-3 font-serif text-[16px] text-soft">No total has been shown.</p>}
      {totals.map((total) => (
        <section key={total.id} aria-label={`${total.name} total`} className="mt-4">
          <p className="flex justify-between gap-4 border-t-2 border-ink pt-1.5">
            <span>{total.name}</span>
            <strong className="figures">
              {inMark(total.text)}
              {total.shows === "percent" ? " %" : ""}
            </strong>
          </p>
          <p className="text-[13.5px] text-soft">
            {total.restsOnSealed ? "It takes in work that is not released yet." : "It rests on what you see here."}
          </p>
          <details className="mt-1 text-[14px]">
            <summary className="cursor-pointer text-green">How it came about</summary>
            {total.parts.map((part) => (
              <div key={part.name} className="mt-2">
                <p className="figures flex justify-between gap-4">
                  <span>
                    {part.name}
                    {part.weight !== null && <span className="text-soft"> · weight {part.weight} %</span>}
                  </span>
                  <span>{inMark(toldWords(part.told)) ?? "not shown"}</span>
                </p>
                <ul className="figures ps-4 text-[13.5px] text-soft">
                  {part.items.map((item) => (
                    <li key={item.name} className="flex justify-between gap-4">
                      <span>{item.name}</span>
                      <span>{inMark(toldWords(item.told)) ?? "not released"}</span>
                    </li>
                  ))}
                </ul>
              </div>
            ))}
          </details>
        </section>
      ))}
    </article>
  );
}
