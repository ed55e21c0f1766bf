import { useCallback } from "react";
import { redirect } from "react-router";
import { keepIn, knownIn } from "../../../course/choices";
import { live } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { useChange } from "../../../course/use-change";
import { Gradebook } from "./gradebook";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { useView } from "./use-view";
import type { Route } from "./+types/page";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const { pathname, search } = new URL(request.url);
  const kept = search === "" ? ((await knownIn(repository, params.slot, "gradebook")) ?? "") : "";
  return kept === "" ? { repository, session, shown: live(session, (state) => state) } : redirect(pathname + kept);
}

export default function GradebookPage({ loaderData, params }: Route.ComponentProps) {
  const { repository, session, shown } = loaderData;
  const { slot } = params;
  const onChosen = useCallback(
    (search: string) => {
      keepIn(repository, slot, "gradebook", search);
    },
    [repository, slot],
  );
  return (
    <Gradebook
      slot={slot}
      session={session}
      shown={shown}
      looking={useView(onChosen)}
      change={useChange()}
      goTo={useGoTo()}
    />
  );
}
