import { courseOf, type Assignment, type CourseState } from "#core/model";
import { IntoChoice } from "./into-choice";
import { SourceTabs } from "./list/source-tabs";
import type { useDemoInbox } from "./use-demo-inbox";
import type { useTray } from "./use-tray";

/** From where the pieces shown came, and what they go into. */
export function Chosen({ state, assignment, waiting, source, inbox, isReading, set }: ChosenProps) {
  const isDemo = courseOf(state).origin === "demo";
  return (
    <div className="mt-3 flex items-end justify-between gap-4 text-[14px]">
      <SourceTabs
        pieces={waiting}
        source={source}
        onInbox={isDemo && !isReading ? inbox.fill : undefined}
        isFilling={inbox.isFilling}
        onChoose={(one) => {
          set("from", one);
        }}
      />
      <IntoChoice
        state={state}
        assignment={assignment}
        onChoose={(one) => {
          set("into", one);
        }}
      />
    </div>
  );
}

interface ChosenProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly waiting: ReturnType<typeof useTray>["waiting"];
  readonly source: ReturnType<typeof useTray>["source"];
  readonly inbox: ReturnType<typeof useDemoInbox>;
  readonly isReading: boolean;
  readonly set: (name: string, value: string) => void;
}
