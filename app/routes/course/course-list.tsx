import type { ReactNode } from "react";
import type { CourseListing } from "#storage";
import { Menu, MenuLine, MenuRule } from "../../ui/dialogs/menu";
import { useGoTo } from "../../ui/ways/use-go-to";

/** The other courses of this browser, and what can be begun beside them; open from the start. */
export default function CourseList({
  slot,
  courses,
  label,
  className,
  children,
}: {
  readonly slot: string;
  readonly courses: readonly CourseListing[];
  /** How its button is called, looks, and what stands in it. */
  readonly label: string;
  readonly className: string;
  readonly children: ReactNode;
}) {
  const goTo = useGoTo();
  const to = (place: string) => () => {
    goTo(place);
  };
  return (
    <Menu label={label} className={className} button={children} side="start" opensAtOnce>
      {courses
        .filter((course) => course.slot === slot || !course.archived)
        .map((course) => (
          <MenuLine key={course.slot} onSelect={to(`/courses/${course.slot}`)}>
            {course.title}
            {course.slot === slot && <span className="text-soft"> (open)</span>}
          </MenuLine>
        ))}
      <MenuLine quiet onSelect={to("/courses")}>
        All courses
      </MenuLine>
      <MenuRule />
      <MenuLine onSelect={to(`/courses/${slot}/files#read-in`)}>Read in a course file</MenuLine>
      <MenuLine onSelect={to(`/courses/${slot}/files#empty`)}>Start an empty course</MenuLine>
    </Menu>
  );
}
