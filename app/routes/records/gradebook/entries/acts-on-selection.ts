import { entryText } from "#core/changes";
import type { CourseState } from "#core/model";
import { troubleOf } from "../../../../ui/hooks/use-command";
import type { SendChange } from "../../../../course/use-change";
import { copyText } from "./blocks";
import type { useBlocks } from "./use-blocks";
import { isSingle, placesIn, type Selection } from "../grid/selection";
import { standingCommand } from "../grid/standing";
import type { GradeTable } from "../rows";

interface SelectionContext {
  readonly state: CourseState;
  readonly table: GradeTable;
  readonly selection: Selection;
  readonly change: SendChange;
  readonly blocks: ReturnType<typeof useBlocks>;
  readonly onTrouble: (words: string | null) => void;
}

/** What keys do to all marked cells at once. */
export function actsOnSelection({ state, table, selection, change, blocks, onTrouble }: SelectionContext) {
  const selected = () => placesIn(table, selection).flat();
  return {
    onClear: () => {
      blocks.fill(selected(), "-");
    },
    onStanding: (letter: string) => {
      const command = standingCommand(state, selected(), letter);
      if (command)
        void change(command).then((outcome) => {
          onTrouble(troubleOf(outcome));
        });
      return command !== null;
    },
    onFillDown: () => {
      const top = placesIn(table, { from: selection.from, to: selection.from })[0]?.[0];
      if (top && !isSingle(selection)) blocks.fill(selected(), entryText(state, top.assignmentId, top.studentId));
    },
    onCopy: () => copyText(state, table, selection),
    onPaste: blocks.paste,
  };
}
