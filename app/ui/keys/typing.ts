/** Whether a key goes into a field, or to what lies over the page, so that it is not a shortcut of the page. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('[role="dialog"], [role="alertdialog"], [role="menu"]')) return true;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement)
    return true;
  return (
    target instanceof HTMLInputElement && !["checkbox", "radio", "button", "submit", "range"].includes(target.type)
  );
}

/** Whether a press is on a control that Enter presses. */
export const isOnControl = ({ target }: Event): boolean =>
  target instanceof HTMLElement && target.closest("button, select, a") !== null;

/**
 * Whether a field lost the focus only because another window or tab was brought to the front: it has it again on coming
 * back, and what is half typed in it must not be kept as if it were done.
 */
export const isWindowLeft = (field: Element): boolean => document.activeElement === field;
