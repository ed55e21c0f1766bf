import fc from "fast-check";
import type { z } from "zod/mini";
import { sameValue } from "#core/kernel";
import { resultKey, tableSchemas, TABLE_NAMES, type TableName } from "#core/model";
import { isCut } from "../model/tables/tables";

type Fields = Record<string, unknown>;

/** Values of every kind that a field may want; a field takes those that its schema lets through unchanged. */
const POOL: readonly unknown[] = [
  ...["", "x", "Grüße, 你好 \u0000 😀", "=1+1", '"quoted", \n and\ttabs', "__proto__", "constructor", "\ud800 alone"],
  ...["0", "12.5", "-3.25", "100", "114/205", "2026-10-23T16:00:00Z", "1999-12-31T23:59:59.999Z", "Europe/Berlin"],
  ...[
    "essay..final.md",
    "..pdf",
    " ",
    "...",
    "a/b\\c",
    "image/png",
    "application/octet-stream",
    "#1f6f68",
    "ada@x.org",
  ],
  ...[0, 1, 2, 7, 500, 60_000_000, 0.5, -1, null, true, false],
];

/** Ids of one kind; a schema made by `idField` tells its kind by which of these it lets through. */
const KINDS =
  "course section marker student term category scale level rubric criterion group handIn assignment file note message post question mail change delivery export phrase opening packet".split(
    " ",
  );
const IDS = KINDS.flatMap((kind) => [`${kind}:1`, `${kind}:2`, `${kind}:é-ß`]);

const accepts = (schema: z.core.$ZodType, value: unknown): boolean => {
  const parsed = (schema as z.ZodMiniType).safeParse(value);
  return parsed.success && sameValue(parsed.data, value);
};

/** Any value that a schema lets through unchanged, worked out from the schema itself, so that no field can be forgotten. */
export function anyOf(schema: z.core.$ZodType): fc.Arbitrary<unknown> {
  const { def } = schema._zod as unknown as { readonly def: { readonly type: string } & Record<string, unknown> };
  const inner = (key: string) => def[key] as z.core.$ZodType;
  switch (def.type) {
    case "object": {
      const shape = def["shape"] as Readonly<Record<string, z.core.$ZodType>>;
      const fields = fc.record(Object.fromEntries(Object.entries(shape).map(([key, field]) => [key, anyOf(field)])));
      return fields.map(withoutUndefined).filter((value) => accepts(schema, value));
    }
    case "array":
      return fc.array(anyOf(inner("element")), { maxLength: 2 }).filter((value) => accepts(schema, value));
    case "nullable":
      return fc.option(anyOf(inner("innerType")), { nil: null, freq: 3 });
    case "optional":
      return fc.option(anyOf(inner("innerType")), { nil: undefined, freq: 2 });
    case "default":
    case "readonly":
      return anyOf(inner("innerType"));
    case "union":
      return fc.oneof(...(def["options"] as z.core.$ZodType[]).map(anyOf));
    case "enum":
      return fc.constantFrom(...Object.values(def["entries"] as Record<string, unknown>));
    case "literal":
      return fc.constantFrom(...(def["values"] as unknown[]));
    case "record":
      return fc.dictionary(fc.constantFrom("a", "b"), anyOf(inner("valueType")), { maxKeys: 2 });
    case "tuple":
      return fc.tuple(...(def["items"] as z.core.$ZodType[]).map(anyOf));
    default:
      return anyLeaf(schema);
  }
}

const withoutUndefined = (fields: Fields): Fields =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

function anyLeaf(schema: z.core.$ZodType): fc.Arbitrary<unknown> {
  // Ids belong where only ids may stand: text is not taken for one.
  const fixed = [...POOL, ...(accepts(schema, "x") ? [] : IDS)].filter((value) => accepts(schema, value));
  if (fixed.length === 0) throw new RangeError(`no value of the pool fits a field: ${JSON.stringify(schema)}`);
  const pick = fc.constantFrom(...fixed);
  const free = accepts(schema, "any \u0000 text 😀");
  if (!free) return pick;
  const text = fc.string({ unit: "binary" }).filter((value) => accepts(schema, value));
  return fc.oneof({ weight: 3, arbitrary: pick }, { weight: 1, arbitrary: text });
}

/** The key a record stands under: its own id, or that of its paper where a table is kept by paper. */
function keyed(table: TableName, record: Fields): Fields {
  const { assignmentId, studentId, criterionId, questionId, facet } = record as Record<string, string>;
  if (isCut(table)) {
    const paper = resultKey(assignmentId as never, studentId as never);
    return { ...record, id: [paper, criterionId ?? questionId].filter(Boolean).join("/") };
  }
  return table === "releases" ? { ...record, id: `${String(assignmentId)}/${String(facet)}` } : record;
}

/** Records of every table, up to `most` in each and at least one where a table is named; any that their schemas allow. */
export function anyRecords(most: number): fc.Arbitrary<ReadonlyMap<TableName, readonly Fields[]>> {
  const tables = TABLE_NAMES.map((table) => {
    const size = table === "courses" ? { minLength: 1, maxLength: 1 } : { maxLength: most };
    const record = anyOf(tableSchemas[table]).map((value) => keyed(table, value as Fields));
    return fc.uniqueArray(record, { ...size, selector: ({ id }) => id });
  });
  return fc.tuple(...tables).map((records) => new Map(TABLE_NAMES.map((table, at) => [table, records[at] ?? []])));
}
