import { ChevronDown } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { Link, useNavigate } from "react-router";
import type { CourseListing } from "#storage";

/** The course's name; it leads to the board, and its menu to the other courses. */
export function CourseMenu({
  slot,
  title,
  courses,
}: {
  readonly slot: string;
  readonly title: string;
  readonly courses: readonly CourseListing[];
}) {
  const navigate = useNavigate();
  const item = "block cursor-pointer rounded px-3 py-1.5 outline-none data-[highlighted]:bg-table";
  return (
    <div className="mr-3 flex items-center gap-1">
      <Link to={`/courses/${slot}`} className="max-w-56 truncate font-serif text-[17px] font-semibold">
        {title}
      </Link>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          aria-label="Switch course"
          className="grid size-7 place-items-center rounded text-soft hover:bg-table hover:text-ink"
        >
          <ChevronDown size={15} aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="start"
            sideOffset={6}
            className="z-50 min-w-64 rounded border border-rule bg-sheet p-1 text-sm shadow-lg"
          >
            {courses
              .filter((course) => course.slot === slot || !course.archived)
              .map((course) => (
                <DropdownMenu.Item
                  key={course.slot}
                  className={item}
                  onSelect={() => void navigate(`/courses/${course.slot}`)}
                >
                  {course.title}
                  {course.slot === slot && <span className="text-soft"> (open)</span>}
                </DropdownMenu.Item>
              ))}
            <DropdownMenu.Item className={`${item} text-soft`} onSelect={() => void navigate("/courses")}>
              All courses
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-rule" />
            <DropdownMenu.Item className={item} onSelect={() => void navigate(`/courses/${slot}/files#read-in`)}>
              Read in a course file
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => void navigate(`/courses/${slot}/files#empty`)}>
              Start an empty course
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </div>
  );
}
