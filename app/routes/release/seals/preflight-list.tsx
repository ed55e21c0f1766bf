import { Link } from "react-router";
import type { Finding, LeakReport } from "#core/release";
import { counted } from "#core/words";
import { deskAddress, inAddress } from "../../../ui/address";
import { MoreMenu } from "../../../ui/dialogs/more-menu";
import { releaseFindingWords } from "../../../ui/words/release-finding-words";
import type { Sliced } from "../../../ui/hooks/use-sliced";
import { Tick } from "../../../ui/fields/tick";
import { useGoTo } from "../../../ui/ways/use-go-to";

/** Where a finding is mended: at the first paper it means; what two markers differ on, in Check. */
const wayTo = (slot: string, assignmentId: string, code: Finding["code"], first: string): string =>
  code === "moderation_unsettled"
    ? `/courses/${slot}/check?assignment=${inAddress(assignmentId)}&view=second`
    : deskAddress(slot, assignmentId, first);

const SIGNS = { stop: "!", look: "•", fine: "✓" } as const;

interface PreflightListProps {
  readonly slot: string;
  readonly assignmentId: string;
  readonly findings: readonly Finding[];
  readonly leaks: Sliced<LeakReport>;
  readonly leakStops: boolean;
  readonly leaksTo: string;
  readonly nameOf: (id: string) => string;
  /** Lets a finding stop a release in this course, or not any more. */
  readonly onStops: (code: Finding["code"], stops: boolean) => void;
}

/** What to know before a release; each line leads to the papers it means and can be set to stop a release. */
export function PreflightList(props: PreflightListProps) {
  const { slot, assignmentId, findings, leaks, leakStops, leaksTo, nameOf, onStops } = props;
  const go = useGoTo();
  const leaking = leaks.found.filter((report) => report.leaks.length > 0).length;
  const unsure = leaks.found.length - leaking;
  const looking = leaks.done < leaks.of || leaks.of === 0;
  return (
    <ul aria-label="Before the release" className="mt-2">
      <li className="flex items-center gap-3 py-[3px] text-[14px]" aria-live="polite">
        <Sign weight={leaking + unsure > 0 ? "stop" : looking ? "look" : "fine"} />
        <span className="figures flex-1">
          {looking && leaking + unsure === 0
            ? `Looking for leaks${leaks.of > 0 ? `, ${String(leaks.done)} of ${String(leaks.of)} students` : ""}`
            : leaksWords(leaking, unsure)}
        </span>
        {leaking + unsure > 0 && (
          <Link className="link" to={leaksTo}>
            See how
          </Link>
        )}
        <StopMenu
          what="Leaks"
          stops={leakStops}
          onStops={(stops) => {
            onStops("leaks", stops);
          }}
        />
      </li>
      {findings.map((finding) => {
        const { text, way } = releaseFindingWords(finding);
        const [first, ...others] = finding.students;
        return (
          <li key={finding.code} className="flex items-center gap-3 py-[3px] text-[14px]">
            <Sign weight={finding.weight} />
            <span className="flex-1">{text}</span>
            {way && first && (
              <Link className="link" to={wayTo(slot, assignmentId, finding.code, first)}>
                {way}
              </Link>
            )}
            {way && others.length > 0 && (
              <MoreMenu
                label={`All ${counted(finding.students.length, "paper")} of: ${text}`}
                items={() =>
                  finding.students.map((id) => ({
                    words: nameOf(id),
                    onSelect: () => {
                      go(deskAddress(slot, assignmentId, id));
                    },
                  }))
                }
              />
            )}
            {finding.weight !== "fine" && (
              <StopMenu
                what={text}
                stops={finding.stops}
                onStops={(stops) => {
                  onStops(finding.code, stops);
                }}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function leaksWords(leaking: number, unsure: number): string {
  if (leaking > 0) return `${counted(leaking, "student")} could work out a sealed score`;
  if (unsure > 0) return `The totals of ${counted(unsure, "student")} cannot be checked; take them as unsafe`;
  return "Nobody could work out a sealed score";
}

function Sign({ weight }: { readonly weight: Finding["weight"] }) {
  return (
    <span aria-hidden="true" className={`w-3 shrink-0 font-semibold ${weight === "stop" ? "text-wax" : ""}`}>
      {SIGNS[weight]}
    </span>
  );
}

function StopMenu({
  what,
  stops,
  onStops,
}: {
  readonly what: string;
  readonly stops: boolean;
  readonly onStops: (stops: boolean) => void;
}) {
  return (
    <Tick
      className={`flex items-center gap-1.5 text-[13px] ${stops ? "font-semibold text-wax" : "text-soft"}`}
      checked={stops}
      label={`Let this stop a release: ${what}`}
      onChange={onStops}
    >
      {stops ? "stops a release" : "let it stop a release"}
    </Tick>
  );
}
