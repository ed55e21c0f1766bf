import { useSyncExternalStore } from "react";

/** The roles of the design that charts are drawn in. */
const ROLES = [
  "paper",
  "table",
  "sheet",
  "rule",
  "ink",
  "soft",
  "green",
  "green-wash",
  "green-mid",
  "wax",
  "ochre",
  "plum",
] as const;

/** The colours of the light that is on, by their roles. */
export type ChartColours = Readonly<Record<(typeof ROLES)[number], string>>;

let read: { readonly light: string; readonly colours: ChartColours } | null = null;

function coloursNow(): ChartColours {
  const light = document.documentElement.dataset.light ?? "";
  if (read?.light !== light) {
    const style = getComputedStyle(document.documentElement);
    const colours = Object.fromEntries(ROLES.map((role) => [role, style.getPropertyValue(`--${role}`).trim()]));
    read = { light, colours: colours as ChartColours };
  }
  return read.colours;
}

function hearLight(changed: () => void): () => void {
  const watch = new MutationObserver(changed);
  watch.observe(document.documentElement, { attributes: true, attributeFilter: ["data-light"] });
  return () => {
    watch.disconnect();
  };
}

/** The colours a chart is drawn in, by day or by lamplight. */
export const useChartColours = (): ChartColours => useSyncExternalStore(hearLight, coloursNow);
