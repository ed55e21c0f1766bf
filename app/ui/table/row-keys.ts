import type { KeyboardEvent } from "react";

const CONTROLS = "a[href], button:not([disabled]), input:not([disabled]), summary";
/** In these, arrows have work of their own. */
const TAKEN = "input:not([type=checkbox]), textarea, select, [contenteditable], [role=combobox]";

/** Up and down go from a control of one row to the same one of its neighbour. */
export function goByRow(event: KeyboardEvent<HTMLElement>): void {
  const by =
    event.key === "ArrowDown" ? "nextElementSibling" : event.key === "ArrowUp" ? "previousElementSibling" : null;
  const { target } = event;
  if (!by || !(target instanceof HTMLElement) || target.matches(TAKEN)) return;
  const row = target.closest("tr");
  const place = row ? controlsOf(row).indexOf(target) : -1;
  for (let next = row?.[by] ?? null; place >= 0 && next; next = next[by]) {
    const controls = controlsOf(next);
    const control = controls[Math.min(place, controls.length - 1)];
    if (!control) continue;
    event.preventDefault();
    control.focus();
    return;
  }
}

const controlsOf = (row: Element): HTMLElement[] => [...row.querySelectorAll<HTMLElement>(CONTROLS)];
