import { redirect } from "react-router";
import { repositoryContext } from "../../context";
import { keepDemoCourse } from "../../start-courses";
import type { Route } from "./+types/page";

/** The start: the course that was open last, or the demo course on the first visit. */
export async function clientLoader({ context }: Route.ClientLoaderArgs) {
  const repository = await context.get(repositoryContext);
  const courses = await repository.courses();
  const last = await repository.recall("last-course");
  const slot = courses.find((course) => course.slot === last)?.slot ?? courses[0]?.slot;
  return redirect(`/courses/${slot ?? (await keepDemoCourse(repository))}`);
}

export default function Home() {
  return null;
}
