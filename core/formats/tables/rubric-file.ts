import Papa from "papaparse";
import { z } from "zod/mini";
import { fromDecimal, ok, parseDecimal, refuse, toNumber, type Decimal, type Id, type Result } from "#core/kernel";
import type { Criterion, Rubric } from "#core/model";
import { checkRubric, type RubricFinding } from "#core/scoring";
import { writeCsv, type Cell } from "./csv";

/**
 * Rubrics in files. JSON: a package with `CFRubrics`, the members of the 1EdTech Competencies and Academic Standards
 * Exchange (CASE) 1.0; a range of points has its top in `score` and its bottom in an extension. CSV: the same fields.
 */

/** Why a rubric file is not taken. */
export type RubricFileIssue =
  | { readonly code: "rubric_file_not_read" }
  | { readonly code: "rubric_file_no_rubric" }
  | { readonly code: "rubric_file_figure"; readonly text: string; readonly line: number }
  | { readonly code: "rubric_file_fault"; readonly finding: RubricFinding };

const HEAD = [
  "rubricTitle",
  "criterionPosition",
  "criterionDescription",
  "criterionWeight",
  "criterionStep",
  "levelPosition",
  "levelQuality",
  "levelScoreFrom",
  "levelScore",
  "levelDescription",
] as const;
type Column = (typeof HEAD)[number];

/** A rubric as CSV, one line for each level. */
export function rubricCsv(rubric: Rubric): string {
  const text = (value: string): Cell => ({ text: value });
  const figure = (value: string): Cell => ({ figure: value });
  const rows = rubric.criteria.flatMap((criterion, place) =>
    criterion.levels.map((level, index) => [
      text(rubric.name),
      figure(String(place + 1)),
      text(criterion.name),
      figure(criterion.weight ?? ""),
      figure(criterion.step),
      figure(String(index + 1)),
      text(level.name),
      figure(level.min),
      figure(level.max),
      text(level.descriptor),
    ]),
  );
  return writeCsv([HEAD.map((name) => text(name)), ...rows]);
}

/** A rubric as a CASE package. Identifiers are the application's own, the kind left out. */
export function rubricJson(rubric: Rubric): string {
  const identifier = (id: string) => id.slice(id.indexOf(":") + 1);
  const number = (text: Decimal) => toNumber(fromDecimal(text));
  const content = {
    CFRubrics: [
      {
        identifier: identifier(rubric.id),
        title: rubric.name,
        CFRubricCriteria: rubric.criteria.map((criterion, place) => ({
          identifier: identifier(criterion.id),
          description: criterion.name,
          ...(criterion.weight !== null && { weight: number(criterion.weight) }),
          position: place + 1,
          rubricId: identifier(rubric.id),
          extensions: { step: criterion.step, ...(criterion.asksEvidence && { asksEvidence: true }) },
          CFRubricCriterionLevels: criterion.levels.map((level, index) => ({
            identifier: identifier(level.id),
            description: level.descriptor,
            quality: level.name,
            score: number(level.max),
            position: index + 1,
            rubricCriterionId: identifier(criterion.id),
            extensions: { scoreFrom: level.min },
          })),
        })),
      },
    ],
  };
  return `${JSON.stringify(content, null, 2)}\n`;
}

interface ReadLevel {
  readonly line: number;
  readonly criterion: string;
  readonly weight: string;
  readonly step: string;
  readonly quality: string;
  readonly from: string;
  readonly to: string;
  readonly description: string;
  readonly asksEvidence: boolean;
}

/** Reads a rubric from CSV or JSON, whichever it is, under fresh ids. */
export function readRubricFile(text: string, fresh: () => string): Result<Rubric, RubricFileIssue> {
  const read = text.trimStart().startsWith("{") ? readJson(text) : readCsv(text);
  if (!read.ok) return read;
  const { title, levels } = read.value;
  const criteria: (Omit<Criterion, "levels"> & { readonly levels: Criterion["levels"][number][] })[] = [];
  for (const level of levels) {
    const figures = [level.from === "" ? level.to : level.from, level.to, level.step === "" ? "0.5" : level.step];
    const parsed = figures.map(parseDecimal);
    const wrong = parsed.findIndex((one) => !one.ok);
    const weight = level.weight === "" ? null : parseDecimal(level.weight);
    if (wrong >= 0) return refuse({ code: "rubric_file_figure", text: figures[wrong] ?? "", line: level.line });
    if (weight && !weight.ok) return refuse({ code: "rubric_file_figure", text: level.weight, line: level.line });
    const [min, max, step] = parsed.map((one) => (one.ok ? one.value : ("0" as Decimal)));
    const last = criteria.at(-1);
    const made = {
      id: `level:${fresh()}` as Id<"level">,
      name: level.quality,
      min: min ?? ("0" as Decimal),
      max: max ?? ("0" as Decimal),
      descriptor: level.description,
    };
    if (last?.name === level.criterion) last.levels.push(made);
    else {
      const id = `criterion:${fresh()}` as Id<"criterion">;
      criteria.push({
        id,
        name: level.criterion,
        step: step ?? ("0.5" as Decimal),
        asksEvidence: level.asksEvidence,
        weight: weight?.value ?? null,
        levels: [made],
      });
    }
  }
  if (criteria.length === 0) return refuse({ code: "rubric_file_no_rubric" });
  const sorted = criteria.map((one) => ({ ...one, levels: [...one.levels].sort(byMin) }));
  const rubric: Rubric = {
    id: `rubric:${fresh()}` as Id<"rubric">,
    name: title,
    criteria: sorted,
    proposal: "top",
    purpose: "score",
    scaled: true,
  };
  const fault = checkRubric(rubric).find(({ kind }) => kind === "fault");
  return fault ? refuse({ code: "rubric_file_fault", finding: fault }) : ok(rubric);
}

const byMin = (a: { readonly min: Decimal }, b: { readonly min: Decimal }) =>
  toNumber(fromDecimal(a.min)) - toNumber(fromDecimal(b.min));

type ReadRubric = Result<{ readonly title: string; readonly levels: ReadLevel[] }, RubricFileIssue>;

function readCsv(text: string): ReadRubric {
  const firstLine = text.split(/\r?\n/)[0] ?? "";
  const delimiter = [";", "\t", ","].find((mark) => firstLine.includes(mark)) ?? ",";
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { delimiter, skipEmptyLines: "greedy" }).data;
  const head = (rows[0] ?? []).map((name) => name.trim());
  const cell = (row: readonly string[], name: Column) =>
    (row[head.indexOf(name)] ?? "").replace(/^'(?=[=+\-@])/, "").trim();
  if (!head.includes("criterionDescription") || !head.includes("levelScore")) {
    return refuse({ code: "rubric_file_no_rubric" });
  }
  const body = rows.slice(1);
  return ok({
    title: cell(body[0] ?? [], "rubricTitle") || "Rubric",
    levels: body.map((row, index) => ({
      line: index + 2,
      criterion: cell(row, "criterionDescription") || "Criterion",
      weight: cell(row, "criterionWeight"),
      step: cell(row, "criterionStep"),
      quality: cell(row, "levelQuality") || "Level",
      from: cell(row, "levelScoreFrom"),
      to: cell(row, "levelScore"),
      description: cell(row, "levelDescription"),
      asksEvidence: false,
    })),
  });
}

const looseText = z.optional(z.union([z.string(), z.number()]));
const packageSchema = z.object({
  CFRubrics: z.array(
    z.object({
      title: z.optional(z.string()),
      CFRubricCriteria: z._default(
        z.array(
          z.object({
            description: z.optional(z.string()),
            category: z.optional(z.string()),
            weight: z.optional(z.number()),
            position: z.optional(z.number()),
            extensions: z.optional(z.object({ step: looseText, asksEvidence: z.optional(z.boolean()) })),
            CFRubricCriterionLevels: z._default(
              z.array(
                z.object({
                  description: z.optional(z.string()),
                  quality: z.optional(z.string()),
                  score: z.number(),
                  position: z.optional(z.number()),
                  extensions: z.optional(z.object({ scoreFrom: looseText })),
                }),
              ),
              [],
            ),
          }),
        ),
        [],
      ),
    }),
  ),
});

function readJson(text: string): ReadRubric {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refuse({ code: "rubric_file_not_read" });
  }
  const parsed = packageSchema.safeParse(data);
  const rubric = parsed.success ? parsed.data.CFRubrics[0] : undefined;
  if (!rubric) return refuse({ code: "rubric_file_no_rubric" });
  const inOrder = <T extends { readonly position?: number | undefined }>(list: readonly T[]) =>
    [...list].sort((a, b) => (a.position ?? 0) - (b.position ?? 0));
  return ok({
    title: rubric.title ?? "Rubric",
    levels: inOrder(rubric.CFRubricCriteria).flatMap((criterion, place) =>
      inOrder(criterion.CFRubricCriterionLevels).map((level) => ({
        line: place + 1,
        criterion: criterion.description ?? criterion.category ?? "Criterion",
        weight: criterion.weight === undefined ? "" : String(criterion.weight),
        step: String(criterion.extensions?.step ?? ""),
        quality: level.quality ?? "Level",
        from: String(level.extensions?.scoreFrom ?? ""),
        to: String(level.score),
        description: level.description ?? "",
        asksEvidence: criterion.extensions?.asksEvidence ?? false,
      })),
    ),
  });
}
