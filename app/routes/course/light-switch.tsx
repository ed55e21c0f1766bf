import { Lamp, Sun } from "lucide-react";
import { useEffect, useState } from "react";

/** Daylight or lamplight; it starts as the system asks. */
export function LightSwitch() {
  const [lamp, setLamp] = useState(() => document.documentElement.dataset.light === "lamp" || systemIsDark());
  useEffect(() => {
    document.documentElement.dataset.light = lamp ? "lamp" : "day";
  }, [lamp]);
  const Mark = lamp ? Sun : Lamp;
  return (
    <button
      type="button"
      className="grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      aria-pressed={lamp}
      aria-label="By lamplight"
      title={lamp ? "Back to daylight" : "By lamplight"}
      onClick={() => {
        setLamp(!lamp);
      }}
    >
      <Mark size={16} aria-hidden="true" />
    </button>
  );
}

const systemIsDark = () => window.matchMedia("(prefers-color-scheme: dark)").matches;
