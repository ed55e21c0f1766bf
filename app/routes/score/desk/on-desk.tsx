import { useCallback } from "react";
import { fullName, type Message } from "#core/model";
import { keep } from "../../../course/choices";
import type { useAsking } from "../../../ui/dialogs/use-asking";
import { JudgementColumn } from "./judgement/judgement-column";
import type { Route } from "./+types/page";
import { useHandIn } from "./paper/use-hand-in";
import { usePaper } from "./paper/use-paper";
import { WorkArea } from "./paper/work-area";
import type { useDesk } from "./use-desk";
import type { useDeskAddress } from "./use-desk-address";

type DeskData = Route.ComponentProps["loaderData"];

interface OnDeskProps {
  readonly slot: string;
  readonly shown: ReturnType<DeskData["shown"]["read"]>["value"];
  readonly desk: ReturnType<typeof useDesk>;
  readonly asking: ReturnType<typeof useAsking>;
}

/** Who it is, the rulers and the comments. */
export function Judgement({
  slot,
  shown,
  desk,
  asking,
  repository,
}: OnDeskProps & { readonly repository: DeskData["repository"] }) {
  const { fields } = desk;
  const { judged, markers } = shown;
  const { student } = judged;
  const nameOf = useCallback(
    ({ by }: Message) => (by ? (markers[by]?.name ?? "") : fullName(student)),
    [markers, student],
  );
  return (
    <JudgementColumn
      slot={slot}
      rows={judged}
      unitHours={shown.unitHours}
      timeZone={shown.timeZone}
      repository={repository}
      markerName={nameOf}
      wholeGroup={desk.wholeGroup}
      onWholeGroup={desk.setWholeGroup}
      keys={desk.keys}
      send={asking.send}
      sendTyped={asking.sendTyped}
      notice={asking.notice}
      onEvidence={desk.setChosen}
      outcomesRef={fields.outcomes}
      doneRef={fields.done}
      overallRef={fields.overall}
      privateRef={fields.privateNote}
      lateRef={fields.late}
    />
  );
}

/** The work, and what can be handed in here. */
export function Paper({
  slot,
  shown,
  desk,
  asking,
  asked,
  loaderData,
}: OnDeskProps & { readonly asked: ReturnType<typeof useDeskAddress>; readonly loaderData: DeskData }) {
  const { rows } = shown;
  const { repository } = loaderData;
  const { work, beside } = usePaper(rows, asked.search, loaderData.bytes, loaderData.read);
  const handIn = useHandIn(repository, slot, rows);
  return (
    <WorkArea
      slot={slot}
      rows={rows}
      work={work}
      beside={beside}
      onAlone={asked.endComparison}
      send={asking.send}
      chosen={desk.chosen}
      onChoose={desk.setChosen}
      handIn={handIn}
      wholeGroup={desk.judgesGroup}
      draft={shown.draft}
      zone={rows.criteria[desk.keys.marked]?.zone ?? null}
      repository={repository}
      marginWidth={loaderData.marginWidth}
      onMarginWidth={(width) => {
        keep(repository, "margin-width", width);
      }}
    />
  );
}
