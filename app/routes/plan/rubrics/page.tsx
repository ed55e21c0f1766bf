import { useSearchParams } from "react-router";
import { usesOfRubric } from "#core/model";
import { adaptRubric } from "#core/scoring";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { fromAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useChange } from "../../../course/use-change";
import type { Route } from "./+types/page";
import { FileButton } from "../../../ui/files/file-button";
import { RubricLine } from "./rubric-line";
import { freshId, useNewRubric } from "./use-new-rubric";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state })) };
}

export default function RubricsPage({ loaderData, params }: Route.ComponentProps) {
  const { state } = useLive(loaderData.shown);
  const change = useChange();
  const [search] = useSearchParams();
  const wanted = search.get("for");
  const assignment = wanted ? state.assignments[fromAddress("assignment", wanted)] : undefined;
  const rubrics = Object.values(state.rubrics).sort((a, b) => a.name.localeCompare(b.name, "en"));
  const { open, start, readFile, free, trouble, setTrouble, address } = useNewRubric(params.slot, rubrics, assignment);
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Rubrics · Upright Quill</title>
      <h1 className="page-title">Rubrics</h1>
      <PlanPlaces slot={params.slot} />
      <div className="mt-5 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="act act-first"
          onClick={() => {
            start("score");
          }}
        >
          {assignment ? `Make a rubric for ${assignment.name}` : "Make a rubric"}
        </button>
        <button
          type="button"
          className="act act-quiet"
          onClick={() => {
            start("outcomes");
          }}
        >
          Make one for outcomes
        </button>
        <FileButton
          words="Read one from a file (CSV or JSON)"
          kind="rubric"
          look="link text-[14px]"
          onFiles={([file]) => {
            if (file) void readFile(file);
          }}
        />
      </div>
      {trouble && (
        <p role="alert" className="mt-3 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      {rubrics.length === 0 && <p className="mt-6 text-soft">No rubric yet. Make one, or read one from a file.</p>}
      <ul className="mt-5 border-t border-rule">
        {rubrics.map((rubric) => (
          <RubricLine
            key={rubric.id}
            rubric={rubric}
            to={address(rubric)}
            uses={usesOfRubric(state, rubric.id).map(({ name }) => name)}
            onAdapt={() => void open(adaptRubric(rubric, free(`${rubric.name}, adapted`), freshId))}
            onRemove={() =>
              void change({ type: "removeRubric", rubricId: rubric.id }).then((outcome) => {
                setTrouble(troubleOf(outcome));
              })
            }
          />
        ))}
      </ul>
      <p className="mt-2 text-[13px] text-soft">{counted(rubrics.length, "rubric")} in this course.</p>
    </main>
  );
}
