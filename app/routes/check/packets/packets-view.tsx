import { useMemo, useState } from "react";
import { courseOf, type CourseState, type Packet } from "#core/model";
import { counted, dayText } from "#core/words";
import type { CourseSession, Repository } from "#storage";
import { useChange } from "../../../course/use-change";
import { openPacket, type OpenedPacket } from "../../../exports/packets";
import { Ask } from "../../../ui/dialogs/ask";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { usePassphrase } from "../../../ui/dialogs/use-passphrase";
import { FileButton } from "../../../ui/files/file-button";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { useJob } from "../../../ui/hooks/use-job";
import type { Looked } from "../rows";
import { HandOverForm } from "./hand-over-form";
import { TakingBack } from "./taking-back";

interface PacketsViewProps {
  readonly looked: Looked;
  readonly repository: Repository;
  readonly session: CourseSession;
}

/** Parts of the class for other markers: handed over, taken back. */
export function PacketsView({ looked, repository, session }: PacketsViewProps) {
  const { state, assignment } = looked;
  const job = useJob();
  const passphrase = usePassphrase();
  const [opened, setOpened] = useState<OpenedPacket | null>(null);
  const packets = useMemo(
    () => Object.values(state.packets).filter(({ assignmentId }) => assignmentId === assignment.id),
    [state.packets, assignment.id],
  );
  const takeBack = (file: File) =>
    job.run(async (signal, tell) => {
      tell({ words: `Reading ${file.name}`, done: 0, all: 1 });
      setOpened(await openPacket(session, file, { signal, ask: passphrase.ask }));
      return "";
    });
  return (
    <section aria-label="Packets">
      <p className="max-w-prose text-[14px] text-soft">
        A packet is a part of the class as one file. Another marker reads it in, judges it in their own Upright Quill,
        and gives it back; you look at what came before anything is taken over.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <FileButton
          words="Take a packet back…"
          kind="course"
          look={`act ${packets.length > 0 ? "act-first" : "act-quiet"}`}
          disabled={job.progress !== null}
          onFiles={([file]) => {
            if (file) void takeBack(file);
          }}
        />
      </div>
      <JobStatus job={job} />
      {passphrase.dialog}
      {opened && (
        <TakingBack
          key={opened.name + opened.returned.changeId}
          state={state}
          opened={opened}
          repository={repository}
          session={session}
          onDone={(words) => {
            setOpened(null);
            if (words) job.say(words);
          }}
        />
      )}
      {packets.length > 0 && <PacketList state={state} packets={packets} />}
      <HandOverForm
        looked={looked}
        repository={repository}
        session={session}
        job={job}
        isFirst={packets.length === 0}
      />
    </section>
  );
}

const PURPOSES: Readonly<Record<Packet["purpose"], string>> = {
  second: "second judgements",
  scores: "scores",
};

/** What was handed over, to whom, and whether it has come back. */
function PacketList({ state, packets }: { readonly state: CourseState; readonly packets: readonly Packet[] }) {
  const { timeZone } = courseOf(state);
  const [leaving, setLeaving] = useState<Packet | null>(null);
  const send = useTroubleOf(useChange());
  const nameOf = ({ markerId }: Packet) => state.markers[markerId]?.name ?? "";
  return (
    <>
      <h2 className="mt-5 font-serif text-[17px] font-semibold">Handed over</h2>
      <ul aria-label="Packets handed over" className="figures text-[14.5px]">
        {packets.map((packet) => (
          <li key={packet.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-2">
            <strong className="min-w-36">{nameOf(packet)}</strong>
            <span className="flex-1">
              {counted(packet.papers.length, "paper")}, {PURPOSES[packet.purpose]}
              {packet.blind ? ", blind" : ""}, {dayText(packet.madeAt, timeZone)}
            </span>
            <span className={packet.taken.length === 0 ? "text-ochre" : "text-soft"}>
              {packet.taken.length === 0
                ? "not back yet"
                : `taken back ${packet.taken.map(({ at }) => dayText(at, timeZone)).join(", ")}`}
            </span>
            <button
              type="button"
              className="link"
              onClick={() => {
                setLeaving(packet);
              }}
            >
              Forget<span className="sr-only"> the packet of {nameOf(packet)}</span>
            </button>
          </li>
        ))}
      </ul>
      <Ask
        open={leaving !== null}
        title="Forget this packet"
        action="Forget it"
        onClose={() => {
          setLeaving(null);
        }}
        onAct={() => {
          if (leaving) void send({ type: "forgetPacket", packetId: leaving.id });
          setLeaving(null);
        }}
      >
        It cannot be taken back any more. What was taken back of it stays. Undo brings it back.
      </Ask>
    </>
  );
}
