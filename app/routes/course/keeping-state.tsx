import { useSyncExternalStore } from "react";
import { Link } from "react-router";
import type { CourseSession, Keeping } from "#storage";
import { counted } from "#core/words";
import { changesUnderWay } from "../../ui/hooks/under-way";
import { useUnkept } from "../../ui/fields/use-unkept";
import { clockText } from "../../ui/words/words";

/** Says whether everything is kept. It says so only once the store has confirmed the write. */
export function KeepingState({ session, home }: { readonly session: CourseSession; readonly home: string }) {
  const written = useSyncExternalStore(session.subscribe, () => session.keeping);
  const underWay = useSyncExternalStore(changesUnderWay.subscribe, changesUnderWay.count);
  const keeping = written.kind === "kept" && underWay > 0 ? ({ kind: "keeping", count: underWay } as const) : written;
  const setAside = useSyncExternalStore(session.subscribe, () => session.setAside);
  useUnkept(keeping.kind !== "kept");
  return (
    <>
      <p
        role="status"
        data-keeping={keeping.kind}
        className="figures flex w-[104px] items-center justify-end text-[13px] text-soft"
      >
        {keeping.kind === "kept" && (keeping.at ? `All kept ${clockText(keeping.at)}` : "All kept")}
        {keeping.kind === "keeping" && `Keeping ${String(keeping.count)}`}
        {keeping.kind === "failed" && <span className="font-semibold text-wax">Not kept: {keeping.count}</span>}
      </p>
      {keeping.kind === "failed" && (
        <div
          role="alert"
          className="absolute inset-x-0 top-full border-b border-wax bg-wax-wash px-[18px] py-2 text-sm"
        >
          <FailedWords keeping={keeping} />{" "}
          {keeping.why !== "damaged" && (
            <>
              <button type="button" className="link font-semibold" onClick={() => void session.retry()}>
                {keeping.why === "gone" ? "Keep the course here anew" : "Try again"}
              </button>{" "}
              or{" "}
            </>
          )}
          <Link className="link font-semibold" to={`${home}/files`}>
            make a course file
          </Link>{" "}
          before you close this page.
        </div>
      )}
      {setAside.length > 0 && (
        <div
          role="alert"
          className="absolute inset-x-0 top-full border-b border-ochre bg-ochre-wash px-[18px] py-2 text-sm"
        >
          Another tab changed the same thing first, so this was not entered:{" "}
          {setAside.map((change) => change.line).join("; ")}.{" "}
          <button
            type="button"
            className="link font-semibold"
            onClick={() => {
              session.acknowledge();
            }}
          >
            I have seen it
          </button>
        </div>
      )}
    </>
  );
}

/** What happened to changes that could not be kept, by why. */
function FailedWords({ keeping }: { readonly keeping: Extract<Keeping, { kind: "failed" }> }) {
  const what = counted(keeping.count, "change");
  switch (keeping.why) {
    case "gone":
      return (
        <>
          <strong>What this browser kept of this course is gone:</strong> its data were cleared while the page was open.{" "}
          {what} could not be kept. Everything is still on this page; files that were handed in may be lost.
        </>
      );
    case "damaged":
      return (
        <>
          <strong>{what} could not be kept:</strong> what this browser kept of this course was changed from outside.
          Everything stays on the screen;
        </>
      );
    case "refused":
      return (
        <>
          <strong>{what} could not be kept</strong> in this browser: {keeping.message} Everything stays on the screen.
        </>
      );
  }
}
