/**
 * Whether the focus is still within an element, or nowhere: whoever has gone elsewhere while something was on its way is
 * not called back, or what they type would land in the wrong field.
 */
export const focusStays = (within: Element | null | undefined): boolean => {
  const { activeElement, body } = document;
  return activeElement === null || activeElement === body || within?.contains(activeElement) === true;
};
