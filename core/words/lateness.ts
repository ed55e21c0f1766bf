/** `2 days`, `1 day`; other units are named by their hours. */
export function latenessWords(units: number, unitHours: number): string {
  const word = unitHours === 24 ? "day" : unitHours === 1 ? "hour" : `${String(unitHours)} h unit`;
  return `${String(units)} ${word}${units === 1 ? "" : "s"}`;
}

/** `2 d`, `3 h`: lateness where there is little room. */
export const latenessShort = (units: number, unitHours: number): string =>
  unitHours === 24 ? `${String(units)} d` : `${String(units * unitHours)} h`;
