import { useLayoutEffect, useRef } from "react";
import { redirect, useLocation, useNavigate } from "react-router";
import { keepIn, knownIn } from "../../../course/choices";
import { live } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { useChange } from "../../../course/use-change";
import { Gradebook } from "./gradebook";
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
  const { search } = useLocation();
  // What one comes with, such as a link to what waits, is looked at and not chosen.
  const came = useRef(search);
  // With what it shows, and not after it: whoever reloads on seeing it finds it again.
  useLayoutEffect(() => {
    if (search === came.current) return;
    came.current = search;
    keepIn(repository, params.slot, "gradebook", search);
  }, [repository, params.slot, search]);
  return (
    <Gradebook
      slot={params.slot}
      session={session}
      shown={shown}
      looking={useView()}
      change={useChange()}
      navigate={useNavigate()}
    />
  );
}
