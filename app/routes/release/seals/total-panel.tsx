import { useMemo, useState } from "react";
import { fromLocalText, type Instant } from "#core/kernel";
import { checkedAfter, type Checked, type Command, type Context } from "#core/changes";
import { courseOf } from "#core/model";
import { stopsRelease, withStop } from "#core/release";
import { counted } from "#core/words";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { useChange } from "../../../course/use-change";
import { AskChange } from "./ask-change";
import { ChangedTotals } from "./changed-totals";
import { namesWords } from "../preview-list";
import { PreflightList } from "./preflight-list";
import type { ReleaseRows, TotalRow } from "../rows";
import { useLeakCheck } from "../../../ui/hooks/use-leak-check";
import { useStepped } from "../../../ui/hooks/use-stepped";
import { DateField } from "../../../ui/time/date-field";
import { OneOf } from "../../../ui/fields/one-of";

interface TotalPanelProps {
  readonly slot: string;
  readonly total: TotalRow;
  readonly rows: ReleaseRows;
  readonly checked: Checked;
  readonly context: Context;
  readonly leaksTo: string;
  readonly nameOf: (id: string) => string;
}

type Asked = { readonly title: string; readonly detail: string; readonly action: string; readonly command: Command };

/** A total's seal: shown as a figure or a letter, timed, sealed; what it rests on; and copies that are out of date. */
export function TotalPanel({ slot, total, rows, checked, context, leaksTo, nameOf }: TotalPanelProps) {
  const trouble = useTroubleOf(useChange());
  const [said, setSaid] = useState<string | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const { state } = checked;
  const { seal, name } = total;
  const [shows, setShows] = useState(seal.shows);
  const showing = useMemo(
    (): Command => ({ type: "sealTotal", id: total.id, state: "released", at: null, shows }),
    [total.id, shows],
  );
  const after = useStepped(useMemo(() => () => checkedAfter(checked, showing, context), [checked, showing, context]));
  const leaks = useLeakCheck(after.isBehind ? null : (after.value ?? checked));
  const send = async (command: Command, words: string) => {
    const refused = await trouble(command);
    setSaid(refused ?? words);
    return refused;
  };
  const other = rows.restOn === "released" ? "all" : "released";
  return (
    <section className="mt-4 border-t-2 border-ink pt-2" aria-label={`Seal of the ${name} total`}>
      <h2 className="text-[16px] font-semibold">{name} total</h2>
      <HowShown
        shows={shows}
        onShows={setShows}
        restOn={rows.restOn}
        onRest={() => {
          setAsked(restAsked(other));
        }}
      />
      <PreflightList
        slot={slot}
        assignmentId=""
        findings={[]}
        leaks={leaks}
        leakStops={stopsRelease(courseOf(state), "leaks")}
        leaksTo={leaksTo}
        nameOf={nameOf}
        onStops={(code, stops) => {
          void send({ type: "editCourse", fields: withStop(courseOf(state), code, stops) }, "Kept.");
        }}
      />
      <TotalActs {...{ total, rows, shows, showing, nameOf, send }} onAsk={setAsked} />
      <p role="status" className="mt-2 min-h-5 text-[14px] text-soft">
        {said}
      </p>
      <ChangedTotals total={total} send={send} />
      {asked && (
        <AskChange
          {...asked}
          state={state}
          context={context}
          nameOf={nameOf}
          onSend={(command) => send(command, "Done.")}
          onClose={() => {
            setAsked(null);
          }}
        />
      )}
    </section>
  );
}

/** What is asked before totals rest on other work. */
const restAsked = (on: "all" | "released"): Asked => ({
  title: `Let totals rest on ${on === "all" ? "all work" : "released work only"}`,
  detail:
    on === "all"
      ? "Sealed scores then enter the totals students see, and may be worked out from them."
      : "Sealed scores then enter no total a student sees.",
  action: "Change what they rest on",
  command: { type: "restTotals", on },
});

/** What is asked before a total is sealed. */
const sealAsked = ({ id, name, seal, seen }: TotalRow, nameOf: (id: string) => string): Asked => ({
  title: `Seal the ${name} total`,
  detail:
    seen.length === 0
      ? "Students see it no longer. Nobody has opened their totals."
      : `${counted(seen.length, "student has", "students have")} already seen their totals, and sealing does not undo that: ${namesWords(seen, nameOf)}.`,
  action: "Take back and seal",
  command: { type: "sealTotal", id, state: "sealed", at: null, shows: seal.shows },
});

/** How students see a total, and what all totals rest on. */
function HowShown({
  shows,
  onShows,
  restOn,
  onRest,
}: {
  readonly shows: TotalRow["seal"]["shows"];
  readonly onShows: (shows: TotalRow["seal"]["shows"]) => void;
  readonly restOn: ReleaseRows["restOn"];
  readonly onRest: () => void;
}) {
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-1.5 text-[14px]">
      <OneOf
        label="How students see it"
        value={shows}
        options={[
          ["percent", "as a figure"],
          ["letter", "as a letter only"],
        ]}
        onChoose={onShows}
      />
      <span className="text-soft">
        All totals rest on {restOn === "released" ? "released work only" : "all work, released or not"}.{" "}
        <button type="button" className="link" onClick={onRest}>
          Let them rest on {restOn === "released" ? "all work" : "released work only"}
        </button>
      </span>
    </div>
  );
}

/** A moment from which the total goes out. */
function TimeField({ timeZone, onTime }: { readonly timeZone: string; readonly onTime: (at: Instant) => void }) {
  const [moment, setMoment] = useState("");
  const at = fromLocalText(moment, timeZone);
  return (
    <span className="flex items-center gap-1.5 text-[14px]">
      <DateField
        label="or from"
        labelled="before"
        precision="moment"
        value={moment}
        hint={`Time of the course: ${timeZone}`}
        onChange={setMoment}
      />
      <button
        type="button"
        className="act act-quiet"
        disabled={!at}
        onClick={() => {
          if (at) onTime(at);
        }}
      >
        Set the time
      </button>
    </span>
  );
}

interface TotalActsProps {
  readonly total: TotalRow;
  readonly rows: ReleaseRows;
  readonly shows: TotalRow["seal"]["shows"];
  /** The change by which it would be shown. */
  readonly showing: Command;
  readonly nameOf: (id: string) => string;
  readonly send: (command: Command, words: string) => Promise<string | null>;
  readonly onAsk: (asked: Asked) => void;
}

/** Shows a total, now or from a moment, or seals it. */
function TotalActs({ total, rows, shows, showing, nameOf, send, onAsk }: TotalActsProps) {
  const { seal, name } = total;
  const open = seal.state === "released";
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {(!open || shows !== seal.shows) && (
        <button
          type="button"
          className="act act-first"
          onClick={() => {
            onAsk({
              title: `Show the ${name} total`,
              detail: `Students see it ${shows === "percent" ? "as a figure" : "as a letter"} in their window.`,
              action: `Show the ${name} total`,
              command: showing,
            });
          }}
        >
          Show the {name} total
        </button>
      )}
      {!open && (
        <TimeField
          timeZone={rows.timeZone}
          onTime={(at) => void send({ type: "sealTotal", id: total.id, state: "timed", at, shows }, "Timed.")}
        />
      )}
      {seal.state !== "sealed" && (
        <button
          type="button"
          className="act act-quiet !text-wax"
          onClick={() => {
            onAsk(sealAsked(total, nameOf));
          }}
        >
          Take back and seal
        </button>
      )}
    </div>
  );
}
