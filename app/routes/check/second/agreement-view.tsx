import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { FileId } from "#core/kernel";
import { rosterName, secondMarkersOf, type Moderation } from "#core/model";
import { agreementOf, type Agreement } from "#core/statistics";
import { counted } from "#core/words";
import { deskAddress, inAddress } from "../../../ui/address";
import { Choice } from "../../../ui/fields/choice";
import { WithTable } from "../../../ui/charts/with-table";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { RecordTable } from "../../../ui/table/record-table";
import { fixed, short, whyNot } from "../figure-words";
import type { Looked } from "../rows";
import { DifferenceAgainstMean, SecondAgainstFirst } from "./agreement-chart";
import { SettleList } from "./settle-list";
import { CRITERIA, TwiceTable } from "./agreement-columns";

/** How far the second marker has come, how both agree, and what is to be settled. */
export function AgreementView({
  slot,
  looked,
  moderation,
  read,
}: {
  readonly slot: string;
  readonly looked: Looked;
  readonly read: (id: FileId) => Promise<Blob | null>;
  readonly moderation: Moderation;
}) {
  const { state, assignment } = looked;
  const markers = useMemo(() => secondMarkersOf(state, assignment.id), [state, assignment.id]);
  const [chosen, setChosen] = useState(moderation.markerId);
  const other = markers.includes(chosen) ? chosen : moderation.markerId;
  const agreement = useMemo(() => agreementOf(state, assignment, other), [state, assignment, other]);
  const names = useMemo(
    () => new Map<string, string>(Object.values(state.students).map((one) => [one.id, rosterName(state, one)])),
    [state],
  );
  const nameOf = useMemo(() => (id: string) => names.get(id) ?? "", [names]);
  const go = useGoTo();
  if (!agreement) return null;
  const markerName = (id: string) => state.markers[id]?.name ?? "";
  const draw = {
    agreement,
    nameOf,
    onOpen: (id: string) => {
      go(deskAddress(slot, assignment.id, id));
    },
  };
  return (
    <>
      <HowFar {...{ slot, assignment, agreement, moderation, markers, other, markerName }} onMarker={setChosen} />
      {other === moderation.markerId ? (
        <SettleList slot={slot} looked={looked} papers={agreement.papers} nameOf={nameOf} read={read} />
      ) : (
        <p className="mt-3 text-[14px] text-soft">
          Beside the first judgements; settled is over those of {markerName(moderation.markerId)}.
        </p>
      )}
      {agreement.twice.length === 0 ? (
        <p className="mt-6 text-[14px] text-soft">How both agree is shown from the first paper that is judged twice.</p>
      ) : (
        <>
          <AgreementWords agreement={agreement} within={moderation.within} />
          <div className="mt-10">
            <WithTable
              label="Agreement"
              picture={
                <div className="grid grid-cols-2 gap-4">
                  <SecondAgainstFirst {...draw} />
                  <DifferenceAgainstMean {...draw} />
                </div>
              }
              table={<TwiceTable agreement={agreement} nameOf={nameOf} />}
            />
          </div>
          {agreement.criteria.length > 0 && (
            <RecordTable
              className="mt-4"
              label="Agreement by criterion"
              records={agreement.criteria}
              columns={CRITERIA}
              keyOf={({ criterion }) => criterion.id}
            />
          )}
        </>
      )}
    </>
  );
}

/** The agreement in figures, each with its source. */
function AgreementWords({ agreement, within }: { readonly agreement: Agreement; readonly within: string }) {
  const { limits, levels, intraclass, twice } = agreement;
  const lines: readonly (readonly [words: string, figure: string])[] = [
    [`Agree within ${within} points`, `${String(agreement.within)} of ${String(twice.length)}`],
    [
      limits.ok && limits.value.mean > 0 ? "Second marker is milder by" : "Second marker is stricter by",
      limits.ok ? `${short(Math.abs(limits.value.mean))} points` : whyNot(limits.issue),
    ],
    [
      "19 of 20 differences lie between (Bland and Altman, 1986)",
      limits.ok ? `${fixed(limits.value.lower)} and ${fixed(limits.value.upper)}` : whyNot(limits.issue),
    ],
    ...(agreement.criteria.length > 0
      ? [
          [
            "Same level (weighted kappa, Cohen 1968)",
            levels.ok ? fixed(levels.value, 2) : whyNot(levels.issue),
          ] as const,
        ]
      : []),
    [
      "Agreement of the scores (ICC 2,1; Shrout and Fleiss, 1979)",
      intraclass.ok ? fixed(intraclass.value, 2) : whyNot(intraclass.issue),
    ],
  ];
  return (
    <dl
      aria-label="Agreement in figures"
      className="figures mt-6 max-w-[620px] border border-rule bg-sheet px-4 py-3 text-[14px]"
    >
      {lines.map(([words, figure]) => (
        <div key={words} className="flex justify-between gap-6 py-0.5">
          <dt>{words}</dt>
          <dd className="text-right font-semibold">{figure}</dd>
        </div>
      ))}
    </dl>
  );
}

interface HowFarProps {
  readonly slot: string;
  readonly assignment: Looked["assignment"];
  readonly agreement: Agreement;
  readonly moderation: Moderation;
  readonly markers: readonly Moderation["markerId"][];
  /** Whose second judgements are looked at. */
  readonly other: Moderation["markerId"];
  readonly markerName: (id: string) => string;
  readonly onMarker: (id: Moderation["markerId"]) => void;
}

/** How far the second marker has come, and the way to go on. */
function HowFar({ slot, assignment, agreement, moderation, markers, other, markerName, onMarker }: HowFarProps) {
  const open = agreement.papers.filter((paper) => paper.state === "open");
  const next = agreement.papers.find(({ second }) => second === null) ?? agreement.papers[0];
  const marker = markerName(other);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4">
      <p className="figures text-[14.5px]">
        {counted(agreement.papers.length, "paper")}
        {moderation.blind ? ", blind" : ""}, by {marker}: {agreement.twice.length} judged twice
        {open.length > 0 ? `, ${String(open.length)} to judge` : ""}.
      </p>
      {markers.length > 1 && (
        <Choice
          quiet
          label="Whose second judgements"
          value={other}
          options={markers.map((id) => [id, markerName(id)] as const)}
          onChoose={onMarker}
        />
      )}
      {next && other === moderation.markerId && (
        <Link
          className={`act ${open.length > 0 ? "act-first" : "act-quiet"}`}
          to={`/courses/${slot}/check/second/${inAddress(assignment.id)}/${inAddress(next.studentId)}`}
        >
          Mark as {marker}
        </Link>
      )}
    </div>
  );
}
