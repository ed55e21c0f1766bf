import { Link, useSubmit } from "react-router";
import type { CourseListing } from "#storage";
import { MoreMenu } from "../../ui/dialogs/more-menu";

/** A course of this browser, whether it opens, and what it holds. */
export interface ListedCourse extends CourseListing {
  readonly state: "whole" | "damaged" | "locked" | "closed";
  /** In words; null where it cannot be opened. */
  readonly holds: string | null;
}

const STATE_WORDS = {
  whole: null,
  locked: null,
  damaged: "Part of it is damaged: it can be read, and work goes on in a copy.",
  closed: "It cannot be opened. Read in its last course file below; nothing was changed here.",
} as const;

/** Courses as lines, each with what can be done with it as a whole. */
export function CourseList({
  courses,
  none,
  onDelete,
}: {
  readonly courses: readonly ListedCourse[];
  /** What stands where there is no course. */
  readonly none: string;
  readonly onDelete: (course: ListedCourse) => void;
}) {
  const submit = useSubmit();
  return (
    <ul className="mt-4 border-t border-rule">
      {courses.map((course) => (
        <li key={course.slot} className="flex items-start gap-3 border-b border-rule py-2.5">
          <div className="min-w-0 flex-1">
            {course.state === "closed" ? (
              <span className="font-serif text-[17px]">{course.title}</span>
            ) : (
              <Link className="link font-serif text-[17px]" to={`/courses/${course.slot}`}>
                {course.title}
              </Link>
            )}
            {course.locked && <span className="text-soft"> · {course.state === "locked" ? "locked" : "unlocked"}</span>}
            {course.origin === "demo" && <span className="text-soft"> · demo</span>}
            {STATE_WORDS[course.state] && (
              <p className="text-[14px] text-wax">
                <span aria-hidden="true">⚠ </span>
                {STATE_WORDS[course.state]}
              </p>
            )}
          </div>
          <MoreMenu
            label={`More for ${course.title}`}
            items={[
              {
                words: course.archived ? "Take out of the archive" : "Archive",
                onSelect: () =>
                  void submit({ does: course.archived ? "takeOut" : "archive", slot: course.slot }, { method: "post" }),
              },
              null,
              {
                words: "Delete",
                onSelect: () => {
                  onDelete(course);
                },
              },
            ]}
          />
        </li>
      ))}
      {courses.length === 0 && <li className="border-b border-rule py-2.5 text-soft">{none}</li>}
    </ul>
  );
}
