import { scoresCsv } from "#core/formats";
import type { CourseState } from "#core/model";
import { counted } from "#core/words";
import { saveAs } from "../../../ui/save-as";
import { CSV_WORDS, figuresMark } from "../../../ui/words/figures";

export function ScoresAsCsv({ slot, state, students, onSaved }: ScoresAsCsvProps) {
  return (
    <>
      <p>
        One row per student, one column per assignment with its counted value, and the total.{" "}
        {counted(students, "student")}.
      </p>
      <button
        type="button"
        className="act mt-3"
        onClick={() => {
          saveAs(new Blob([scoresCsv(state)], { type: "text/csv;charset=utf-8" }), `${slot}-scores.csv`);
          onSaved("The scores were saved as a CSV file.");
        }}
      >
        Save the scores as CSV
      </button>
      <p className="mt-1.5 text-[13px] text-soft">{CSV_WORDS[figuresMark()]}</p>
    </>
  );
}

interface ScoresAsCsvProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly students: number;
  readonly onSaved: (words: string) => void;
}
