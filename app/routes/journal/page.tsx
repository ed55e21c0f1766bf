import { courseOf } from "#core/model";
import { openCourse } from "../../open-course";
import { momentText } from "../../ui/words";
import type { Route } from "./+types/page";

/** Newest entries shown; the course file holds them all. */
const SHOWN = 300;

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const { timeZone } = courseOf(session.state);
  const all = session.entries;
  return {
    total: all.length,
    entries: all
      .slice(-SHOWN)
      .reverse()
      .map(({ seq, change }) => ({
        seq,
        when: momentText(change.at, timeZone),
        who: session.state.markers[change.by]?.name ?? "",
        line: change.line,
      })),
  };
}

export default function JournalPage({ loaderData }: Route.ComponentProps) {
  const { entries, total } = loaderData;
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6 pb-16">
      <title>Journal · Upright Quill</title>
      <h1 className="page-title">Journal</h1>
      <p className="mt-1 text-sm text-soft">
        {total} changes on record, the newest first
        {total > entries.length && `; the last ${String(entries.length)} are shown`}.
      </p>
      <table className="mt-4 w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left">
            <th className="w-16 py-1 font-semibold">No.</th>
            <th className="w-44 font-semibold">When</th>
            <th className="w-32 font-semibold">Who</th>
            <th className="font-semibold">What</th>
          </tr>
        </thead>
        <tbody>
          {entries.map(({ seq, when, who, line }) => (
            <tr key={seq} className="border-b border-rule align-top">
              <td className="py-1 text-soft">{seq}</td>
              <td>{when}</td>
              <td>{who}</td>
              <td>{line}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
