import { Link } from "react-router";
import type { Lane } from "#core/release";
import { dayText, momentText } from "#core/words";
import { deskAddress, inAddress } from "../../ui/address";

/** The one button of a lane: the next sensible step. */
export function NextAction({
  slot,
  lane,
  timeZone,
}: {
  readonly slot: string;
  readonly lane: Lane;
  readonly timeZone: string;
}) {
  const { assignment, next } = lane;
  const release = `/courses/${slot}/release?assignment=${inAddress(assignment.id)}`;
  const name = <span className="sr-only"> {assignment.name}</span>;
  switch (next.kind) {
    case "score":
      return (
        <Link className="act act-first" to={deskAddress(slot, assignment.id, next.studentId)}>
          {next.count} to score{name}
        </Link>
      );
    case "decide":
      return (
        <Link className="act" to={`/courses/${slot}/collect?into=${inAddress(assignment.id)}`}>
          {next.count} not in: decide{name}
        </Link>
      );
    case "correct":
      return (
        <Link className="act" to={release}>
          {next.count} changed since release{name}
        </Link>
      );
    case "release":
      return (
        <Link className="act" to={release}>
          Sealed: {next.count} ready{name}
        </Link>
      );
    case "timed":
      return (
        <Link className="act act-quiet" to={release}>
          {next.release.at ? momentText(next.release.at, timeZone) : "Timed"}
          {name}
        </Link>
      );
    case "released":
      return (
        <Link className="act act-quiet" to={release}>
          Released {next.release.at ? dayText(next.release.at, timeZone) : ""}
          {name}
        </Link>
      );
    case "wait":
      return assignment.channel === "nothing" ? (
        <p className="text-center text-sm text-soft">{assignment.dueAt ? "Nothing to do yet" : "No due date"}</p>
      ) : (
        <Link className="act act-quiet" to={`/courses/${slot}/collect?into=${inAddress(assignment.id)}`}>
          Collect{name}
        </Link>
      );
  }
}
