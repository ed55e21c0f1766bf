import { memo, useCallback, useDeferredValue } from "react";
import { keep } from "../../course/choices";
import { useLive } from "../../course/live";
import type { Route } from "./+types/page";
import { Bar } from "./bar";
import type { Light } from "./light-switch";
import { PacketBar } from "./packet-bar";
import { useFlowCounts } from "./use-flow-counts";

const StillBar = memo(Bar);
const StillPacketBar = memo(PacketBar);

interface LiveBarProps {
  readonly slot: string;
  readonly loaderData: Route.ComponentProps["loaderData"];
  readonly onLock: (() => void) | null;
}

/** The bar, which follows the course. What a key changed stands on the page first, and in the bar right behind it. */
export function LiveBar({ slot, loaderData, onLock }: LiveBarProps) {
  const { repository, session, courses, light, isPacket } = loaderData;
  const shown = useDeferredValue(useLive(loaderData.shown));
  const counts = useFlowCounts(session, shown.state);
  const onLight = useCallback(
    (chosen: Light) => {
      keep(repository, "light", chosen);
    },
    [repository],
  );
  const Drawn = isPacket ? StillPacketBar : StillBar;
  return <Drawn {...shown} {...{ slot, session, courses, light, counts, onLock, onLight }} />;
}
