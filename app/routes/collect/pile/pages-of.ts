import { codeSaid, type Piece, type ScanPage } from "#core/collect";
import { rosterName, type CourseState } from "#core/model";

/** The pages of a pile as they were seen or laid out; of one that was not looked at, as many as it has. */
export function pagesOf({ scan, pages }: Piece): readonly ScanPage[] {
  if (scan.length > 0) return scan;
  return Array.from({ length: pages ?? 0 }, (_, index) => ({
    code: "",
    turn: null,
    isBlank: false,
    isFirst: index === 0,
    isLeftOut: false,
  }));
}

/** Whose paper a code begins; empty where it says nothing here. */
export function nameOfCode(state: CourseState, code: string): string {
  const said = code === "" ? null : codeSaid(state, code);
  if (said?.kind === "guest") return "blank cover";
  const student = said?.kind === "student" ? state.students[said.studentId] : undefined;
  if (student) return rosterName(state, student);
  return said ? "code of elsewhere" : "";
}
