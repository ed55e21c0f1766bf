import { useState } from "react";
import { Link } from "react-router";
import { add, divide, pointsText, whole, type Exact, type FileId } from "#core/kernel";
import { judgementOf, rubricOf, secondMarkOf, type Settled } from "#core/model";
import type { ModeratedPaper } from "#core/totals";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { deskAddress } from "../../../ui/address";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import type { Looked } from "../rows";
import { PaperBeside } from "./paper-beside";
import { inMark } from "../../../ui/words/figures";

interface SettleListProps {
  readonly slot: string;
  readonly looked: Looked;
  readonly papers: readonly ModeratedPaper[];
  readonly nameOf: (studentId: string) => string;
  readonly read: (id: FileId) => Promise<Blob | null>;
}

/** Papers over the agreed difference, to be settled with a reason; below them what was settled. */
export function SettleList(props: SettleListProps) {
  const apart = props.papers.filter((paper) => paper.state === "apart");
  const settled = props.papers.filter((paper) => paper.state === "settled");
  const open = props.papers.filter((paper) => paper.state === "open");
  if (apart.length === 0 && settled.length === 0) return null;
  return (
    <section aria-label="To settle" className="mt-5">
      <h2 className="text-[15px] font-semibold">
        {apart.length === 0
          ? open.length === 0
            ? "All is settled: the assignment can be released"
            : "Nothing to settle so far"
          : `${counted(apart.length, "paper")} to settle; nothing of it can be released before`}
      </h2>
      <ul className="mt-1 border-t border-rule">
        {apart.map((paper) => (
          <SettleCard key={paper.studentId} {...props} paper={paper} />
        ))}
      </ul>
      {settled.length > 0 && <SettledList {...props} settled={settled} />}
    </section>
  );
}

/** One paper with both judgements beside each other, and the ways to settle it. */
function SettleCard({ slot, looked, paper, nameOf, read }: SettleListProps & { readonly paper: ModeratedPaper }) {
  const { assignment } = looked;
  const [reason, setReason] = useState("");
  const [other, setOther] = useState("");
  const [isReading, setIsReading] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useTroubleOf(useChange());
  const { first, second } = paper;
  if (!first || !second) return null;
  const settle = async (choice: Settled["choice"]) => {
    const { studentId } = paper;
    setTrouble(await send({ type: "settle", assignmentId: assignment.id, studentId, choice, text: other, reason }));
  };
  const name = nameOf(paper.studentId);
  return (
    <li aria-label={name} className="figures border-b border-rule py-3 text-[14.5px]">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <Link className="link font-semibold" to={deskAddress(slot, assignment.id, paper.studentId)}>
          {name}
        </Link>
        <span>
          first {inMark(pointsText(first))}, second {inMark(pointsText(second))}
        </span>
        <button
          type="button"
          className="link"
          aria-expanded={isReading}
          onClick={() => {
            setIsReading(!isReading);
          }}
        >
          {isReading ? "Close the paper" : "Read the paper here"}
          <span className="sr-only"> of {name}</span>
        </button>
      </div>
      <BothJudgements looked={looked} studentId={paper.studentId} />
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <label className="block text-[13px] text-soft">
          Reason
          <input
            className="field block w-64 text-[14.5px] text-ink"
            value={reason}
            maxLength={500}
            onChange={(event) => {
              setReason(event.target.value);
            }}
          />
        </label>
        <SettleButton name={name} words={`First, ${inMark(pointsText(first))}`} onSettle={() => settle("first")} />
        <SettleButton name={name} words={`Second, ${inMark(pointsText(second))}`} onSettle={() => settle("second")} />
        <SettleButton name={name} words={`Mean, ${meanText(first, second)}`} onSettle={() => settle("mean")} />
        <label className="block text-[13px] text-soft">
          Another figure
          <input
            className="field block w-24 text-[14.5px] text-ink"
            inputMode="decimal"
            value={other}
            onChange={(event) => {
              setOther(event.target.value);
            }}
          />
        </label>
        {other.trim() !== "" && <SettleButton name={name} words={`Take ${other}`} onSettle={() => settle("other")} />}
      </div>
      {trouble && (
        <p role="alert" className="mt-1 text-[13.5px] text-wax">
          {trouble}
        </p>
      )}
      {isReading && <PaperBeside looked={looked} studentId={paper.studentId} read={read} />}
    </li>
  );
}

const meanText = (first: Exact, second: Exact): string => inMark(pointsText(divide(add(first, second), whole(2))));

const SettleButton = ({
  name,
  words,
  onSettle,
}: {
  readonly name: string;
  readonly words: string;
  readonly onSettle: () => Promise<void>;
}) => (
  <button type="button" className="act act-quiet" onClick={() => void onSettle()}>
    {words}
    <span className="sr-only"> for {name}</span>
  </button>
);

/** Characters of a passage that are quoted beside a remark. */
const QUOTED = 60;

/** What each marker gave for each criterion, and what they wrote. */
function BothJudgements({
  looked,
  studentId,
}: {
  readonly looked: Looked;
  readonly studentId: ModeratedPaper["studentId"];
}) {
  const { state, assignment } = looked;
  const mark = secondMarkOf(state, assignment.id, studentId);
  const criteria = rubricOf(state, assignment)?.criteria ?? [];
  if (!mark) return null;
  return (
    <>
      {criteria.length > 0 && (
        <table className="mt-1 text-[14px]">
          <caption className="sr-only">Both judgements by criterion</caption>
          <tbody>
            {criteria.map(({ id, name }) => {
              const first = judgementOf(state, assignment.id, studentId, id);
              const second = mark.judgements.find((one) => one.criterionId === id);
              const given = (one: { points: string | null; notApplicable: boolean } | undefined) =>
                one?.notApplicable ? "n/a" : (one?.points ?? "–");
              return (
                <tr key={id} className={given(first) === given(second) ? "text-soft" : ""}>
                  <th scope="row" className="pe-4 text-left font-normal">
                    {name}
                  </th>
                  <td className="pe-1 text-right">{given(first)}</td>
                  <td className="pe-4">→ {given(second)}</td>
                  <td className="text-soft">{first.comment}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {mark.comment && <p className="mt-1 max-w-prose text-[14px] text-soft">Second marker: {mark.comment}</p>}
      {mark.notes.length > 0 && (
        <ul aria-label="Remarks of the second marker" className="mt-1 max-w-prose list-disc ps-5 text-[14px] text-soft">
          {mark.notes.map(({ id, target, body, mark: kind }) => (
            <li key={id}>
              {target.kind === "passage" ? `“${target.exact.slice(0, QUOTED)}”: ` : `page ${String(target.page)}: `}
              {body || kind}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

const CHOICES: Readonly<Record<Settled["choice"], string>> = {
  first: "the first stands",
  second: "the second stands",
  mean: "the mean",
  other: "another figure",
};

/** What was settled, and the way back. */
function SettledList({ looked, nameOf, settled }: SettleListProps & { readonly settled: readonly ModeratedPaper[] }) {
  const send = useTroubleOf(useChange());
  return (
    <details className="mt-2 text-[14px]">
      <summary className="text-soft">{counted(settled.length, "paper")} settled</summary>
      <ul className="figures">
        {settled.map(({ studentId, settled: how }) => (
          <li key={studentId} className="flex gap-4 border-b border-rule py-1.5">
            <span className="flex-1">
              <strong>{nameOf(studentId)}</strong>:{" "}
              {how && inMark(`${how.points}, ${CHOICES[how.choice]} (first ${how.first}, second ${how.second})`)}
              {how?.reason && <span className="text-soft"> {how.reason}</span>}
            </span>
            <button
              type="button"
              className="link"
              onClick={() => void send({ type: "unsettle", assignmentId: looked.assignment.id, studentId })}
            >
              Open again<span className="sr-only"> {nameOf(studentId)}</span>
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
