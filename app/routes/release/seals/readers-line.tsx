import { counted } from "#core/words";
import { namesWords } from "../preview-list";
import type { Readers } from "../rows";

/** Who has opened what they were given. */
export function ReadersLine({
  readers: { given, opened, older },
  nameOf,
}: {
  readonly readers: Readers;
  readonly nameOf: (id: string) => string;
}) {
  if (given.length === 0) return null;
  return (
    <p className="figures mt-2 text-[14px] text-soft">
      {counted(given.length, "student")} can see it now;{" "}
      {opened.length === 0 ? "nobody has" : `${String(opened.length)} have`} opened it
      {opened.length > 0 && `: ${namesWords(opened, nameOf)}`}
      {older.length > 0 && `. Before the newest part came: ${namesWords(older, nameOf)}`}.
    </p>
  );
}
