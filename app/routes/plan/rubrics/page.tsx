import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { rubricCsv, rubricJson } from "#core/formats";
import { decimal, type Id } from "#core/kernel";
import { type Rubric, usesOfRubric } from "#core/model";
import { adaptRubric, rulerEnds, startCriterion } from "#core/scoring";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { MoreMenu } from "../../../ui/dialogs/more-menu";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { saveAs } from "../../../ui/save-as";
import { troubleOf } from "../../../ui/hooks/use-command";
import { rubricFileWords } from "../../../ui/words/words";
import { readText } from "../../../ui/files/read-text";
import { useChange } from "../../../course/use-change";
import { runTableJob } from "../../../../workers/client";
import type { Route } from "./+types/page";
import { FileButton } from "../../../ui/files/file-button";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state })) };
}

const fresh = () => crypto.randomUUID();

export default function RubricsPage({ loaderData, params }: Route.ComponentProps) {
  const { state } = useLive(loaderData.shown);
  const change = useChange();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const [trouble, setTrouble] = useState<string | null>(null);
  const wanted = search.get("for");
  const assignment = wanted ? state.assignments[fromAddress("assignment", wanted)] : undefined;
  const rubrics = Object.values(state.rubrics).sort((a, b) => a.name.localeCompare(b.name, "en"));
  const address = (rubric: Rubric) => `/courses/${params.slot}/plan/rubrics/${inAddress(rubric.id)}`;
  const free = (name: string) => {
    const taken = new Set(rubrics.map((rubric) => rubric.name));
    let next = name;
    for (let number = 2; taken.has(next); number += 1) next = `${name} ${String(number)}`;
    return next;
  };
  const open = async (rubric: Rubric) => {
    const made = assignment && rubric.purpose === "score" ? { assignmentId: assignment.id } : {};
    const words = troubleOf(await change({ type: "saveRubric", rubric, ...made }));
    setTrouble(words);
    if (words === null) void navigate(address(rubric));
  };
  const start = (purpose: Rubric["purpose"]) => {
    const name = free(assignment?.name ?? (purpose === "score" ? "New rubric" : "Outcomes"));
    const points = assignment && assignment.points !== "0" ? assignment.points : decimal("12");
    void open({
      id: `rubric:${fresh()}` as Id<"rubric">,
      name,
      proposal: "top",
      purpose,
      scaled: true,
      criteria: [startCriterion(fresh, "First criterion", points)],
    });
  };
  const readFile = async (file: File) => {
    const text = await readText(file);
    const read = await runTableJob((jobs) => jobs.rubric(text), new AbortController().signal);
    if (!read.ok) {
      setTrouble(`${file.name}: ${rubricFileWords(read.issue)}`);
      return;
    }
    await open({ ...read.value, name: free(read.value.name) });
  };

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
            onAdapt={() => void open(adaptRubric(rubric, free(`${rubric.name}, adapted`), fresh))}
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

/** One rubric, what it is used by, and what can be done with it. */
function RubricLine({
  rubric,
  to,
  uses,
  onAdapt,
  onRemove,
}: {
  readonly rubric: Rubric;
  readonly to: string;
  /** Names of the assignments that use it. */
  readonly uses: readonly string[];
  readonly onAdapt: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <li className="flex items-center gap-4 border-b border-rule py-2.5">
      <div className="min-w-0 flex-1">
        <Link to={to} className="font-serif text-[16.5px] font-semibold">
          {rubric.name}
        </Link>
        <p className="figures truncate text-[13.5px] text-soft">
          {rubric.purpose === "outcomes" && "for outcomes only · "}
          {rubric.criteria.map((criterion) => `${criterion.name} ${rulerEnds(criterion).maximum}`).join(" · ")}
        </p>
      </div>
      <p className="w-56 text-right text-[13.5px] text-soft">
        {uses.length === 0 ? "not used yet" : `used by ${uses.join(", ")}`}
      </p>
      <MoreMenu
        label={`More for ${rubric.name}`}
        items={[
          {
            words: "Copy and adapt",
            onSelect: onAdapt,
          },
          {
            words: "Save as CSV",
            onSelect: () => {
              saveAs(new Blob([rubricCsv(rubric)], { type: "text/csv" }), `${rubric.name}.csv`);
            },
          },
          {
            words: "Save as JSON",
            onSelect: () => {
              saveAs(new Blob([rubricJson(rubric)], { type: "application/json" }), `${rubric.name}.json`);
            },
          },
          null,
          {
            words: "Remove",
            onSelect: onRemove,
          },
        ]}
      />
    </li>
  );
}
