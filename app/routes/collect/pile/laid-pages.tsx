import { useRef, useState, type KeyboardEvent } from "react";
import { turnedOn, type LaidPage, type ScanPage } from "#core/collect";
import { keyOf } from "../../../ui/keys/key-of";
import { actOn } from "../../../ui/keys/use-keys";
import { PageThumb, usePile } from "./page-thumb";

interface LaidPagesProps {
  readonly blob: Blob;
  readonly pages: readonly ScanPage[];
  readonly laid: readonly LaidPage[];
  readonly nameOf: (code: string) => string;
  readonly onChange: (pages: readonly ScanPage[]) => void;
}

/** The pages of a pile laid out small, in their order: a paper begins at each that is marked. */
export function LaidPages({ blob, pages, laid, nameOf, onChange }: LaidPagesProps) {
  const list = useRef<HTMLOListElement>(null);
  const [at, setAt] = useState(0);
  const pile = usePile(blob);
  const change = (place: number, next: Partial<ScanPage>) => {
    onChange(pages.map((page, index) => (index === place ? { ...page, ...next } : page)));
  };
  const go = (to: number) => {
    const sheets = list.current?.querySelectorAll<HTMLElement>("[data-page]");
    sheets?.[Math.max(0, Math.min(pages.length - 1, to))]?.focus();
  };
  const press = (event: KeyboardEvent, place: number) => {
    const across = acrossOf(list.current);
    const done = actOn(keyOf("layOut", event.nativeEvent), {
      before: () => {
        go(place - 1);
      },
      after: () => {
        go(place + 1);
      },
      above: () => {
        go(place - across);
      },
      below: () => {
        go(place + across);
      },
      turn: () => {
        onChange(turnedOn(pages, place, false));
      },
      turnPaper: () => {
        onChange(turnedOn(pages, place, true));
      },
      leaveOut: () => {
        change(place, { isLeftOut: !pages[place]?.isLeftOut });
      },
    });
    if (done) event.preventDefault();
  };
  return (
    <ol ref={list} aria-label="Pages of the pile" className="mt-5 flex flex-wrap gap-y-4">
      {pages.map((page, place) => {
        const lies = laid[place];
        const name = page.isFirst ? nameOf(page.code) : "";
        return (
          <li key={place} className="w-[136px] [contain-intrinsic-size:136px_232px] [content-visibility:auto]">
            <p
              className="figures h-5 truncate border-s-2 border-transparent ps-2 text-[12.5px] data-[first]:border-green data-[first]:font-semibold"
              data-first={page.isFirst || undefined}
            >
              {(page.isFirst || place === 0) && headOf(lies, name)}
            </p>
            <button
              type="button"
              data-page
              tabIndex={place === at ? 0 : -1}
              aria-pressed={page.isFirst}
              aria-label={labelOf(page, place, lies)}
              className={`block w-full border-s-2 py-1 ps-2 pe-2 text-start ${page.isFirst ? "border-green" : "border-transparent"}`}
              onClick={() => {
                change(place, { isFirst: !page.isFirst });
              }}
              onFocus={() => {
                setAt(place);
              }}
              onKeyDown={(event) => {
                press(event, place);
              }}
            >
              <PageThumb pile={pile} place={place} turn={lies?.turn ?? 0} isFaint={lies?.lies !== "in"} />
              <span className="figures mt-1 block text-[12px] text-soft">
                {[String(place + 1), stateWords(page, lies)].filter(Boolean).join(" · ")}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

const headOf = (lies: LaidPage | undefined, name: string): string =>
  lies?.paper ? [String(lies.paper), name].filter(Boolean).join(" · ") : name || "no pages";

const stateWords = (page: ScanPage, lies: LaidPage | undefined): string => {
  if (lies?.lies === "cover") return "cover";
  if (page.isLeftOut) return "left out";
  return page.isBlank ? "blank" : "";
};

const labelOf = (page: ScanPage, place: number, lies: LaidPage | undefined): string =>
  [`Page ${String(place + 1)}`, page.isFirst ? "first of a paper" : "", stateWords(page, lies)]
    .filter(Boolean)
    .join(", ");

/** How many pages stand side by side. */
function acrossOf(list: HTMLElement | null): number {
  const items = [...(list?.children ?? [])];
  const top = items[0]?.getBoundingClientRect().top;
  const second = items.findIndex((item) => item.getBoundingClientRect().top !== top);
  return second < 0 ? items.length : second;
}
