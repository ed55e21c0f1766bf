import { counted } from "#core/words";

function Line({ good, words }: { readonly good: boolean; readonly words: string }) {
  return (
    <li className="flex gap-3 py-0.5">
      <span aria-hidden="true" className={`w-3 font-semibold ${good ? "" : "text-wax"}`}>
        {good ? "✓" : "!"}
      </span>
      {words}
    </li>
  );
}

interface BeforeExportProps {
  readonly waiting: number;
  readonly undecided: number;
  /** Students without any total. */
  readonly without: number;
}

/** What is still open before grades leave. */
export function BeforeExport({ waiting, undecided, without }: BeforeExportProps) {
  return (
    <ul aria-label="Before the export" className="figures mt-2 text-[14px]">
      <Line
        good={waiting === 0}
        words={waiting === 0 ? "Nothing waits to be scored" : `${counted(waiting, "paper")} waiting to be scored`}
      />
      <Line
        good={undecided === 0}
        words={
          undecided === 0
            ? "Nothing is undecided"
            : `${counted(undecided, "result")} not in and not decided: they count as nothing yet`
        }
      />
      {without > 0 && <Line good={false} words={`${counted(without, "student")} without any total`} />}
    </ul>
  );
}
