import { useMemo, useState } from "react";
import { courseOf, rosterName, type CourseState } from "#core/model";
import {
  bringsChange,
  comparePacket,
  filesTaken,
  takeBackOf,
  undecided,
  type Choices,
  type ComparedPaper,
  type ComparedPart,
  type PartState,
} from "#core/packets";
import { counted, dayText } from "#core/words";
import type { CourseSession, Repository } from "#storage";
import { useChange } from "../../../course/use-change";
import type { OpenedPacket } from "../../../exports/packets";
import { troubleOf } from "../../../ui/hooks/use-command";
import { PaperBack } from "./paper-back";
import { STATE_WORDS } from "./state-words";

interface TakingBackProps {
  readonly state: CourseState;
  readonly opened: OpenedPacket;
  readonly repository: Repository;
  readonly session: CourseSession;
  /** Called with what to say, or null where it was left. */
  readonly onDone: (words: string | null) => void;
}

/** What can have become of a paper, what asks most of the person first. */
const COUNTS = Object.entries(STATE_WORDS) as readonly (readonly [PartState, string])[];

/** What a packet brings back, paper by paper, before any of it is taken over; what both changed is decided one by one. */
export function TakingBack({ state, opened, repository, session, onDone }: TakingBackProps) {
  const { returned, name } = opened;
  const { packet } = returned;
  const [choices, setChoices] = useState<Choices>(new Map());
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = useChange();
  const papers = useMemo(() => comparePacket(state, returned), [state, returned]);
  const open = undecided(papers, choices);
  const assignment = state.assignments[packet.assignmentId];
  const bringing = papers.filter((paper) => bringsChange(paper, choices)).length;
  if (!assignment) return null;
  const choose = (parts: readonly ComparedPart[], choice: "here" | "packet") => {
    setChoices(new Map([...choices, ...parts.map(({ place }) => [place, choice] as const)]));
  };
  const take = async () => {
    const words = await takeBack({ opened, papers, choices, repository, session, change });
    if (words === undefined) return;
    setTrouble(words);
    if (words === null) onDone(`${counted(bringing, "paper")} of ${name} taken back. Undo takes all of it back.`);
  };
  const conflicts = papers.flatMap(({ parts }) => parts.filter((part) => part.state === "conflict"));
  return (
    <section aria-label="Taking back" className="mt-2 max-w-[860px] border border-rule bg-sheet p-4">
      <PacketHead {...{ state, returned, papers }} />
      {conflicts.length > 1 && (
        <DecideAll
          onChoose={(choice) => {
            choose(conflicts, choice);
          }}
        />
      )}
      <ul aria-label="What it brings" className="mt-2 max-h-[60vh] overflow-auto border-y border-rule">
        {[...papers].sort(byWeight).map((paper) =>
          paper.state === "untouched" ? null : (
            <PaperBack
              key={paper.studentId}
              {...{ state, assignment, paper, choices }}
              name={rosterNameOf(state, paper)}
              onChoose={(part, choice) => {
                choose([part], choice);
              }}
            />
          ),
        )}
      </ul>
      <p className="mt-3 flex items-center gap-4">
        <button
          type="button"
          className="act act-first"
          disabled={open.length > 0 || bringing === 0}
          onClick={() => void take()}
        >
          {`Take back ${counted(bringing, "paper")}`}
        </button>
        <button
          type="button"
          className="act act-quiet"
          onClick={() => {
            onDone(null);
          }}
        >
          Leave it
        </button>
        <span role="status" className="text-[14px] text-soft">
          {open.length > 0 && `${counted(open.length, "value")} to decide: both sides changed it.`}
          {open.length === 0 && bringing === 0 && "There is nothing new in it."}
        </span>
      </p>
      {trouble && (
        <p role="alert" className="mt-1 text-[14px] text-wax">
          {trouble}
        </p>
      )}
    </section>
  );
}

interface Taking {
  readonly opened: OpenedPacket;
  readonly papers: readonly ComparedPaper[];
  readonly choices: Choices;
  readonly repository: Repository;
  readonly session: CourseSession;
  readonly change: ReturnType<typeof useChange>;
}

/** Takes over what a packet brings; words of trouble, null where all is well, nothing where more is to be decided first. */
async function takeBack({ opened, papers, choices, repository, session, change }: Taking) {
  const { returned, blobs } = opened;
  const wanted = takeBackOf(session.state, returned, papers, { choices, at: session.now() });
  for (const { id } of filesTaken(wanted, session.state)) {
    const blob = blobs.get(id);
    if (blob) await repository.keepFile(session.slot, id, blob);
  }
  // The course may have gone on meanwhile: what is sent is put together from it as it stands in this very turn.
  const now = comparePacket(session.state, returned);
  if (undecided(now, choices).length > 0) return undefined;
  return troubleOf(await change(takeBackOf(session.state, returned, now, { choices, at: session.now() })));
}

const rosterNameOf = (state: CourseState, { studentId }: ComparedPaper): string => {
  const student = state.students[studentId];
  return student ? rosterName(state, student) : "";
};

/** What asks most of the person first. */
const byWeight = (a: ComparedPaper, b: ComparedPaper): number => placeOf(a) - placeOf(b);
const placeOf = ({ state }: ComparedPaper): number => COUNTS.findIndex(([kind]) => kind === state);

interface PacketHeadProps {
  readonly state: CourseState;
  readonly returned: OpenedPacket["returned"];
  readonly papers: readonly ComparedPaper[];
}

/** Whose packet it is, whether it was here before, and what became of how many papers. */
function PacketHead({ state, returned, papers }: PacketHeadProps) {
  const { packet, takenBefore } = returned;
  const { timeZone } = courseOf(state);
  return (
    <>
      <h2 className="font-serif text-[17px] font-semibold">
        Packet of {state.markers[packet.markerId]?.name}, {counted(packet.papers.length, "paper")}
      </h2>
      {takenBefore && (
        <p role="status" className="mt-1 text-[14px] text-ochre">
          {takenBefore.isOlder
            ? `A later state of this packet was taken back on ${dayText(takenBefore.at, timeZone)}; this one is older.`
            : `This was taken back already, on ${dayText(takenBefore.at, timeZone)}.`}
        </p>
      )}
      <p className="figures mt-1 text-[14px] text-soft">
        {COUNTS.flatMap(([kind, words]) => {
          const count = papers.filter((paper) => paper.state === kind).length;
          return count > 0 ? [`${String(count)} ${words}`] : [];
        }).join(", ")}
        .
      </p>
    </>
  );
}

/** One decision for everything that both sides changed. */
function DecideAll({ onChoose }: { readonly onChoose: (choice: "here" | "packet") => void }) {
  return (
    <p className="mt-2 flex gap-4 text-[14px]">
      <button
        type="button"
        className="link"
        onClick={() => {
          onChoose("here");
        }}
      >
        Where both changed, all as here
      </button>
      <button
        type="button"
        className="link"
        onClick={() => {
          onChoose("packet");
        }}
      >
        all as in the packet
      </button>
    </p>
  );
}
