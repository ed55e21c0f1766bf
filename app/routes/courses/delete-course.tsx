import { Ask } from "../../ui/dialogs/ask";
import type { ListedCourse } from "./course-list";

/** Asks before a course is deleted: what goes with it, and a course file first. */
export function DeleteCourse({
  course,
  onCourseFile,
  onClose,
  onDelete,
}: {
  readonly course: ListedCourse | null;
  readonly onCourseFile: (slot: string) => void;
  readonly onClose: () => void;
  readonly onDelete: (slot: string) => void;
}) {
  return (
    <Ask
      open={course !== null}
      title={`Delete ${course?.title ?? ""}?`}
      action="Delete this course"
      onClose={onClose}
      onAct={() => {
        if (course) onDelete(course.slot);
      }}
    >
      {course?.holds ? (
        <p>This goes from this browser for good, with its journal and files: {course.holds}.</p>
      ) : (
        <p>It cannot be opened, so what it holds cannot be counted. All of it goes from this browser for good.</p>
      )}
      <p className="mt-2">Nothing undoes it. A course file made before brings all of it back.</p>
      {course?.holds && (
        <button
          type="button"
          className="act act-quiet mt-3"
          onClick={() => {
            onCourseFile(course.slot);
          }}
        >
          Make a course file first
        </button>
      )}
    </Ask>
  );
}
