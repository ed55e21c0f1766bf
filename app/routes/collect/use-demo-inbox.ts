import { useState } from "react";
import type { CourseState } from "#core/model";
import type { TrayReading } from "../../course/tray-reading";
import { demoInbox } from "./demo-inbox";

/** Drops the demo's inbox, which takes a moment to be made; says whether it is on its way. */
export function useDemoInbox(state: CourseState, reading: TrayReading) {
  const [isFilling, setFilling] = useState(false);
  const fill = () => {
    setFilling(true);
    void demoInbox(state)
      .then((dropped) => reading.take(dropped))
      .finally(() => {
        setFilling(false);
      });
  };
  return { isFilling, fill };
}
