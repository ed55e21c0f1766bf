import { data } from "react-router";
import { z } from "zod/mini";
import { repositoryContext } from "../../context";
import { readForm } from "../../course/read-form";
import type { Route } from "./+types/route";

const wish = z.union([
  z.object({ passphrase: z.string().check(z.minLength(1), z.maxLength(1_000)) }),
  z.object({ code: z.string().check(z.minLength(1), z.maxLength(200)) }),
]);

/** Unlocks a course for all tabs of this browser; the page that asked is then loaded. Of a wrong passphrase nothing is said but that it is one. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  if (!asked.success) return data({ trouble: "Type its passphrase." }, { status: 400 });
  const repository = await context.get(repositoryContext);
  if (await repository.locksmith.unlock(params.slot, asked.data)) return { trouble: null };
  const trouble =
    "passphrase" in asked.data ? "This is not its passphrase." : "This is not the code of its last recovery sheet.";
  return data({ trouble }, { status: 403 });
}
