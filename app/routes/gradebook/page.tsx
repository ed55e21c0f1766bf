import { useNavigate } from "react-router";
import { openCourse } from "../../course/open-course";
import { useChange } from "../../course/use-change";
import { Gradebook } from "./gradebook";
import { useView } from "./use-view";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { session };
}

export default function GradebookPage({ loaderData, params }: Route.ComponentProps) {
  return (
    <Gradebook
      slot={params.slot}
      session={loaderData.session}
      looking={useView()}
      change={useChange()}
      navigate={useNavigate()}
    />
  );
}
