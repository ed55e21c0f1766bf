/** Whether a key goes into a field, so that it is not a shortcut. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement)
    return true;
  return (
    target instanceof HTMLInputElement && !["checkbox", "radio", "button", "submit", "range"].includes(target.type)
  );
}
