import type { Difference, FacetContent } from "#core/release";
import { scoreWords } from "#core/words";
import { inMark } from "../../../ui/words/figures";

/** What changed in a copy since it was released, as pairs of old and new. */
export function differenceWords({ facet, old, present }: Difference): { what: string; old: string; present: string }[] {
  switch (facet) {
    case "score":
      return [
        {
          what: "Score",
          old: inMark(scoreWords(old as FacetContent["score"])),
          present: present ? inMark(scoreWords(present as FacetContent["score"])) : "nothing",
        },
      ];
    case "rubric":
      return rubricPairs(old as FacetContent["rubric"], present as FacetContent["rubric"] | null);
    case "classFigures":
      return [
        {
          what: "Class figures",
          old: classWords(old as FacetContent["classFigures"]),
          present: classWords(present as FacetContent["classFigures"] | null),
        },
      ];
    case "outcomes":
      return outcomePairs(old as FacetContent["outcomes"], present as FacetContent["outcomes"] | null);
    case "comments":
      return commentPairs(old as FacetContent["comments"], present as FacetContent["comments"] | null);
  }
}

const classWords = (figures: FacetContent["classFigures"] | null): string =>
  figures ? `mean ${inMark(figures.mean)}, median ${inMark(figures.median)} of ${String(figures.students)}` : "nothing";

function rubricPairs(old: FacetContent["rubric"], present: FacetContent["rubric"] | null) {
  if (!present) return [{ what: "Rubric detail", old: "shown", present: "nothing" }];
  const words = (row: FacetContent["rubric"]["rows"][number] | undefined) =>
    row ? `${row.points ?? "–"}${row.level ? `, ${row.level}` : ""}` : "nothing";
  const answers = present.answers.map((answer, index) => ({
    what: `Question ${String(index + 1)}`,
    old: old.answers.find(({ questionId }) => questionId === answer.questionId)?.points ?? "–",
    present: answer.points ?? "–",
  }));
  const rows = present.rows.map((row) => ({
    what: row.name,
    old: words(old.rows.find((before) => before.criterionId === row.criterionId)),
    present: words(row),
  }));
  const changed = [...rows, ...answers].filter((pair) => pair.old !== pair.present);
  return changed.length > 0 ? changed : [{ what: "Rubric detail", old: "as released", present: "other words" }];
}

function commentPairs(old: FacetContent["comments"], present: FacetContent["comments"] | null) {
  const pairs = [
    { what: "Overall comment", old: old.overall, present: present?.overall ?? "" },
    { what: "Notes", old: `${String(old.notes.length)} notes`, present: `${String(present?.notes.length ?? 0)} notes` },
    { what: "Files", old: fileNames(old), present: present ? fileNames(present) : "" },
    { what: "Comments on criteria", old: criterionWords(old), present: present ? criterionWords(present) : "" },
  ].filter((pair) => pair.old !== pair.present);
  return pairs.length > 0 ? pairs : [{ what: "Notes", old: "as released", present: "other words" }];
}

function outcomePairs(old: FacetContent["outcomes"], present: FacetContent["outcomes"] | null) {
  const names = new Set([...old.rows, ...(present?.rows ?? [])].map(({ name }) => name));
  const words = (content: FacetContent["outcomes"] | null, wanted: string) => {
    const row = content?.rows.find(({ name }) => name === wanted);
    return row ? [row.level ?? "open", row.comment].filter(Boolean).join(": ") : "nothing";
  };
  const pairs = [
    ...[...names].map((what) => ({ what, old: words(old, what), present: words(present, what) })),
    {
      what: old.attainment?.scale ?? present?.attainment?.scale ?? "Outcome",
      old: old.attainment?.level ?? "nothing",
      present: present?.attainment?.level ?? "nothing",
    },
  ].filter((pair) => pair.old !== pair.present);
  return pairs.length > 0 ? pairs : [{ what: "Outcomes", old: "as released", present: "other words" }];
}

const fileNames = ({ attachments }: FacetContent["comments"]): string => attachments.map(({ name }) => name).join(", ");

const criterionWords = (comments: FacetContent["comments"]): string =>
  comments.criteria.map(({ name, comment }) => `${name}: ${comment}`).join("; ");
