import { redirect } from "react-router";
import { repositoryContext } from "../../context";
import { known } from "../../course/choices";
import { keepDemoCourse } from "../../start-courses";
import type { Route } from "./+types/page";

/**
 * The start: the course that was open last, or the demo course on the first visit. Where the course cannot be opened, the
 * list of all courses, so that one that is broken never stands before the others.
 */
export async function clientLoader({ context }: Route.ClientLoaderArgs) {
  const repository = await context.get(repositoryContext);
  const courses = await repository.courses();
  const last = await known(repository, "last-course");
  const inUse = courses.filter(({ archived }) => !archived);
  const slot = inUse.find((course) => course.slot === last)?.slot ?? inUse[0]?.slot;
  if (slot === undefined && courses.length > 0) return redirect("/courses");
  if (slot === undefined) return redirect(`/courses/${await keepDemoCourse(repository)}`);
  const opens = await repository.session(slot).then(
    (session) => session !== null,
    () => false,
  );
  return redirect(opens ? `/courses/${slot}` : "/courses");
}

export default function Home() {
  return null;
}
