import { z } from "zod/mini";

/** The name under which a course lies in this browser, as a form sends it. */
export const slotField = z.string().check(z.trim(), z.minLength(1), z.maxLength(200));

/** A field that holds JSON, such as a list that was shown; what is none is refused like any other field. */
export const jsonField = z.pipe(
  z.string().check(z.maxLength(40_000_000)),
  z.transform((text, context): unknown => {
    try {
      return JSON.parse(text);
    } catch {
      context.issues.push({ code: "custom", message: "not JSON", input: text });
      return z.NEVER;
    }
  }),
);

/**
 * Reads the fields of a form that was sent. Names in `lists` may come more than once, and come as a list; of any other the
 * last one counts.
 */
export async function readForm<S extends z.ZodMiniType>(
  request: Request,
  schema: S,
  lists: readonly string[] = [],
): Promise<z.core.util.SafeParseResult<z.output<S>>> {
  const fields = await request.formData();
  return schema.safeParse({
    ...Object.fromEntries(fields),
    ...Object.fromEntries(lists.map((name) => [name, fields.getAll(name)])),
  });
}
