import { NavLink } from "react-router";

const PLACES = [
  ["", "Assignments"],
  ["/course", "Course and roster"],
  ["/rules", "Rules"],
  ["/rubrics", "Rubrics"],
] as const;

/** The four parts of the plan, under its title. */
export function PlanPlaces({ slot }: { readonly slot: string }) {
  return (
    <nav aria-label="Parts of the plan" className="mt-2 flex gap-6 border-b border-rule text-sm">
      {PLACES.map(([path, words]) => (
        <NavLink
          key={path}
          end={path === ""}
          to={`/courses/${slot}/plan${path}`}
          className={({ isActive }) =>
            `-mb-px border-b-2 pb-1.5 ${isActive ? "border-ink font-semibold text-ink" : "border-transparent text-soft hover:text-ink"}`
          }
        >
          {words}
        </NavLink>
      ))}
    </nav>
  );
}
