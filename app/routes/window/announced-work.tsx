import type { WorkFile } from "#core/model";
import type { Announced, HandingIn } from "#core/release";
import { momentText } from "#core/words";
import { Attached } from "../../ui/letter/attached";
import { formattedHtml } from "../../ui/letter/formatted";
import { HandInForm } from "./hand-in-form";
import { inMark } from "../../ui/words/figures";

/** Work that is announced: what is to be done, by when, and, where it is said so, how it will be judged. */
export function AnnouncedWork({
  work,
  handing,
  isStudent,
  timeZone,
  read,
}: {
  readonly work: readonly Announced[];
  /** What is known about handing each in. */
  readonly handing: ReadonlyMap<string, HandingIn>;
  /** The window is open as the student, not only looked at. */
  readonly isStudent: boolean;
  readonly timeZone: string;
  readonly read: (file: WorkFile) => Promise<Blob | null>;
}) {
  if (work.length === 0) return null;
  return (
    <section aria-labelledby="announced" className="mt-6 border border-rule bg-sheet px-6 py-8">
      <div className="mx-auto max-w-[560px]">
        <h2 id="announced" className="font-serif text-[20px] font-semibold">
          Announced work
        </h2>
        {work.map((one) => (
          <details key={one.id} className="border-t border-rule py-2 first-of-type:mt-3">
            <summary className="cursor-pointer">
              <span className="font-serif text-[16.5px]">{one.name}</span>
              <span className="figures ms-3 text-[13.5px] text-soft">
                {one.dueAt ? `due ${momentText(one.dueAt, timeZone)}` : "no due date"} ·{" "}
                {one.bonus ? "bonus" : inMark(`of ${one.points}`)}
              </span>
            </summary>
            {one.task === "" && one.note === "" && one.files.length === 0 && one.rubric === null && (
              <p className="mt-2 text-soft">Nothing more is written about it.</p>
            )}
            {one.task !== "" && (
              <div
                className="formatted mt-2 font-serif text-[16px] leading-relaxed"
                dangerouslySetInnerHTML={{ __html: formattedHtml(one.task) }}
              />
            )}
            {one.note !== "" && <p className="mt-2 text-[14.5px] whitespace-pre-wrap">{one.note}</p>}
            <div className="mt-2">
              <Attached files={one.files} read={read} />
            </div>
            {one.rubric && (
              <section aria-label={`How ${one.name} will be judged`} className="mt-3">
                <h3 className="text-[13.5px] text-soft">How it will be judged</h3>
                {one.rubric.map((criterion) => (
                  <div key={criterion.name} className="border-t border-rule py-1.5">
                    <p className="flex justify-between gap-4">
                      <span className="font-semibold">{criterion.name}</span>
                      <span className="figures text-soft">of {criterion.maximum}</span>
                    </p>
                    <ul className="text-[14px]">
                      {criterion.levels.map((level) => (
                        <li key={level.name}>
                          {level.name}, {inMark(`${level.min} to ${level.max}`)}
                          {level.descriptor && `: ${level.descriptor}`}
                        </li>
                      ))}
                    </ul>
                  </div>
                ))}
              </section>
            )}
            <Handing work={one} about={handing.get(one.id)} timeZone={timeZone} isStudent={isStudent} />
          </details>
        ))}
      </div>
    </section>
  );
}

function Handing(props: Omit<Parameters<typeof HandInForm>[0], "about"> & { readonly about: HandingIn | undefined }) {
  const { about } = props;
  return about && <HandInForm {...props} about={about} />;
}
