import { describe, expect, it } from "vitest";
import { z } from "zod/mini";
import { sentForm } from "../testing/open-small-course";
import { readForm, slotField } from "./read-form";

describe("a form that was sent", () => {
  const schema = z.object({
    from: slotField,
    to: z.array(slotField).check(z.minLength(1)),
    days: z.coerce.number().check(z.int()),
  });

  it("is read by its schema, names that may come more than once as a list", async () => {
    const form = sentForm(["from", " autumn "], ["to", "spring"], ["to", "summer"], ["days", "7"]);
    expect((await readForm(form, schema, ["to"])).data).toEqual({ from: "autumn", to: ["spring", "summer"], days: 7 });
  });

  it("is refused with the field that cannot be", async () => {
    const form = sentForm(["from", ""], ["days", "soon"]);
    const { error } = await readForm(form, schema, ["to"]);
    expect(error?.issues.map(({ path }) => path[0])).toEqual(["from", "to", "days"]);
  });
});
