import { fromDecimal, roundToText, sum } from "#core/kernel";
import { assignmentsOf, categoriesOf, courseOf, fullName, studentsOf } from "#core/model";
import { openCourse } from "../../open-course";
import { momentText } from "../../ui/words";
import { AddAssignment, AddCategory, AddStudents } from "./forms";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const { state } = session;
  const course = courseOf(state);
  const categories = categoriesOf(state);
  const weights = categories.flatMap(({ weight }) => (weight === null ? [] : [fromDecimal(weight)]));
  return {
    title: course.title,
    timeZone: course.timeZone,
    total: weights.length > 0 ? roundToText(sum(weights), 1) : null,
    categories: categories.map(({ id, name, weight }) => ({
      id,
      name,
      weight,
      assignments: assignmentsOf(state)
        .filter((assignment) => assignment.categoryId === id)
        .map((assignment) => ({
          id: assignment.id,
          name: assignment.name,
          points: assignment.bonus ? "bonus" : `${assignment.points} points`,
          due: assignment.dueAt ? `due ${momentText(assignment.dueAt, course.timeZone)}` : null,
          rubric: assignment.rubricId ? (state.rubrics[assignment.rubricId]?.name ?? null) : null,
        })),
    })),
    students: studentsOf(state).map((student) => ({ id: student.id, name: fullName(student), number: student.number })),
  };
}

export default function PlanPage({ loaderData }: Route.ComponentProps) {
  const { title, timeZone, total, categories, students } = loaderData;
  return (
    <main className="mx-auto grid w-full max-w-[1180px] grid-cols-[1fr_360px] gap-12 px-[30px] pt-6 pb-16">
      <title>{`Plan · ${title}`}</title>
      <div>
        <h1 className="page-title">Plan</h1>
        <p className="mt-1 text-sm text-soft">
          {title}
          {total && (
            <>
              {" · "}weights come to{" "}
              <strong className={total === "100.0" ? "text-green" : "text-ochre"}>{total} %</strong>
            </>
          )}
        </p>
        {categories.length === 0 && (
          <p className="mt-6 text-soft">
            Begin with a category, such as Papers with a weight of 100, then its first assignment.
          </p>
        )}
        {categories.map((category) => (
          <section key={category.id} className="mt-6">
            <h2 className="text-[13px] font-semibold text-soft">
              {category.name}
              {category.weight !== null && ` · ${category.weight} %`}
            </h2>
            <ul>
              {category.assignments.map((assignment) => (
                <li key={assignment.id} className="border-b border-rule py-2">
                  <h3 className="font-serif text-[16.5px] font-semibold">{assignment.name}</h3>
                  <p className="figures text-[13.5px] text-soft">
                    {assignment.points} ·{" "}
                    {assignment.due ?? <strong className="text-ochre">no due date: it belongs to no term</strong>}
                    {assignment.rubric && ` · rubric ${assignment.rubric}`}
                  </p>
                </li>
              ))}
              {category.assignments.length === 0 && <li className="py-2 text-[14px] text-soft">No assignment yet.</li>}
            </ul>
          </section>
        ))}
        {categories.length > 0 && <AddAssignment categories={categories} timeZone={timeZone} />}
      </div>
      <div className="space-y-7 pt-1">
        <AddCategory />
        <AddStudents taken={students.map(({ number }) => number)} />
        {students.length > 0 && (
          <section>
            <h2 className="font-semibold">{students.length} students</h2>
            <ul className="mt-1 text-[14px]">
              {students.map((student) => (
                <li key={student.id} className="flex justify-between border-b border-rule py-0.5">
                  {student.name} <span className="text-soft">{student.number}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </main>
  );
}
