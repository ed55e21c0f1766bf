import { codeSaid, remarksOf, usualPages, type Piece, type PileRemark } from "#core/collect";
import type { StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { counted } from "#core/words";

/** What is said of the piles of a tray and of the papers that were cut out of them. */
export function pileWords(state: CourseState, pieces: readonly Piece[], nameOf: (id: StudentId) => string) {
  const papers = new Map<Piece["id"], Piece[]>();
  for (const piece of pieces) if (piece.pileId) papers.set(piece.pileId, [...(papers.get(piece.pileId) ?? []), piece]);
  const usual = new Map([...papers].map(([id, own]) => [id, usualPages(own.map(({ pages }) => pages ?? 0))]));
  const remarkWords = (remark: PileRemark): string => {
    switch (remark.kind) {
      case "beforeFirst":
        return `${counted(remark.pages, "page")} before the first paper`;
      case "blank":
        return counted(remark.pages, "blank page");
      case "coversAlone": {
        const names = remark.codes.map((code) => {
          const said = codeSaid(state, code);
          return said?.kind === "student" ? nameOf(said.studentId) : "nobody here";
        });
        return `a cover and nothing behind it: ${names.join(", ")}`;
      }
    }
  };
  return {
    /** Of a pile that was cut. */
    cut: ({ id, scan }: Piece): readonly string[] => [
      `cut into ${counted(papers.get(id)?.length ?? 0, "paper")}`,
      ...remarksOf(scan).map(remarkWords),
    ],
    /** Of a paper that has more or fewer pages than the rest, and of a scan that nobody's code stands on. */
    warnings: ({ pileId, pages, scan }: Piece, isOpen: boolean): readonly string[] => {
      const most = pileId && usual.get(pileId);
      return [
        most && pages !== most ? `${counted(pages ?? 0, "page")}, most have ${String(most)}` : "",
        isOpen && !pileId && scan.length > 1
          ? `no code was found on its ${String(scan.length)} pages: cut it into papers, or put it to a student`
          : "",
      ].filter(Boolean);
    },
  };
}
