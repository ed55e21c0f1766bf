import { useState } from "react";
import { Link } from "react-router";
import { counted } from "#core/words";
import { sizeWords } from "../../../ui/words/size-words";
import type { BrowserSpace } from "./browser-space";

/** Others that are named; the rest is added up. */
const NAMED = 6;

/** What takes room in this browser, what can go, and whether the browser keeps it for good. */
export function Space({ space, slot }: { readonly space: BrowserSpace; readonly slot: string }) {
  const { used, left, journal, files, tray, trayPieces, others } = space;
  const rest = others.slice(NAMED).reduce((sum, { bytes }) => sum + bytes, 0);
  return (
    <>
      <ForGood isForGood={space.isForGood} />
      {used !== null && left !== null && (
        <p className="mt-1.5">
          {sizeWords(used)} are taken in all, the application itself among it; the browser has room for{" "}
          {sizeWords(left)} more.
        </p>
      )}
      <table className="figures mt-3 w-full max-w-[620px] text-[14px]">
        <caption className="sr-only">What takes room</caption>
        <tbody>
          <Line what="Files of this course" bytes={files} />
          <Line what="Its journal" bytes={journal} />
          {trayPieces > 0 && (
            <Line what={`Its tray, ${counted(trayPieces, "piece")} not taken in`} bytes={tray}>
              <Link className="link" to={`/courses/${slot}/collect`}>
                Take them in, or let them go
              </Link>
            </Line>
          )}
          {others.slice(0, NAMED).map((course) => (
            <Line key={course.slot} what={`${course.title}${course.archived ? ", archived" : ""}`} bytes={course.bytes}>
              {course.archived && (
                <Link className="link" to="/courses">
                  Make a file of it, then delete it
                </Link>
              )}
            </Line>
          ))}
          {rest > 0 && <Line what={counted(others.length - NAMED, "more course")} bytes={rest} />}
        </tbody>
      </table>
    </>
  );
}

function Line({ what, bytes, children }: { what: string; bytes: number; children?: React.ReactNode }) {
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="py-1 text-start font-normal">
        {what}
      </th>
      <td className="px-4 py-1 text-end">{sizeWords(bytes)}</td>
      <td className="py-1">{children}</td>
    </tr>
  );
}

/** Whether the browser may clear what it keeps, and a way to ask it not to. */
function ForGood({ isForGood: before }: Pick<BrowserSpace, "isForGood">) {
  const [isForGood, setForGood] = useState(before);
  const [isRefused, setRefused] = useState(false);
  if (isForGood === null) return <p>This browser does not say whether it keeps things for good. Keep a course file.</p>;
  if (isForGood) return <p>The browser keeps all of it until somebody deletes it.</p>;
  return (
    <p>
      The browser may clear it when the machine runs out of room. Keep a course file outside of it.{" "}
      {isRefused ? (
        <span className="text-ochre">Asked to keep it for good, the browser said no.</span>
      ) : (
        <button
          type="button"
          className="link"
          onClick={() => {
            void navigator.storage.persist().then((given) => {
              setForGood(given);
              setRefused(!given);
            });
          }}
        >
          Ask it to keep all of it for good
        </button>
      )}
    </p>
  );
}
