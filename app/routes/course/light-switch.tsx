import { Lamp, Sun } from "lucide-react";
import { useEffect, useState } from "react";

/** Daylight, or the dark theme. */
export type Light = "lamp" | "day";

interface LightSwitchProps {
  /** What was chosen before in this browser; null where the system decides. */
  readonly chosen: Light | null;
  readonly onChoose: (light: Light) => void;
}

/** Daylight or lamplight; it starts as it was left, and before that as the system asks. */
export function LightSwitch({ chosen, onChoose }: LightSwitchProps) {
  const [lamp, setLamp] = useState(() => (chosen === null ? systemIsDark() : chosen === "lamp"));
  useEffect(() => {
    document.documentElement.dataset.light = lamp ? "lamp" : "day";
  }, [lamp]);
  const Mark = lamp ? Sun : Lamp;
  return (
    <button
      type="button"
      className="grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink max-[1120px]:size-7"
      aria-pressed={lamp}
      aria-label="By lamplight"
      data-hint={lamp ? "Back to daylight" : "By lamplight"}
      onClick={() => {
        setLamp(!lamp);
        onChoose(lamp ? "day" : "lamp");
      }}
    >
      <Mark size={16} aria-hidden="true" />
    </button>
  );
}

const systemIsDark = () => window.matchMedia("(prefers-color-scheme: dark)").matches;
