import { ChevronDown } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import type { CourseListing } from "#storage";

const loadList = () => import("./course-list");
const CourseList = lazy(loadList);

const LABEL = "Switch course";
const LOOK = "grid size-7 place-items-center rounded text-soft hover:bg-table hover:text-ink";

/** The course's name; it leads to the board, and its menu to the other courses. The menu comes when it is first asked for. */
export function CourseMenu({
  slot,
  title,
  courses,
}: {
  readonly slot: string;
  readonly title: string;
  readonly courses: readonly CourseListing[];
}) {
  const [isAsked, setAsked] = useState(false);
  const arrow = <ChevronDown size={15} aria-hidden="true" />;
  const button = (
    <button
      type="button"
      aria-label={LABEL}
      aria-haspopup="menu"
      className={LOOK}
      onPointerEnter={() => void loadList()}
      onFocus={() => void loadList()}
      onKeyDown={({ key }) => {
        if (key === "ArrowDown") setAsked(true);
      }}
      onClick={() => {
        setAsked(true);
      }}
    >
      {arrow}
    </button>
  );
  return (
    <div className="mr-3 flex items-center gap-1">
      <Link to={`/courses/${slot}`} className="max-w-56 truncate font-serif text-[17px] font-semibold">
        {title}
      </Link>
      {isAsked ? (
        <Suspense fallback={button}>
          <CourseList slot={slot} courses={courses} label={LABEL} className={LOOK}>
            {arrow}
          </CourseList>
        </Suspense>
      ) : (
        button
      )}
    </div>
  );
}
