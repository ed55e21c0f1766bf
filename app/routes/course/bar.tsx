import type { ReactNode } from "react";
import { Link, NavLink, useLocation, useNavigation } from "react-router";
import type { FlowCounts } from "#core/release";
import type { CourseState } from "#core/model";
import type { CourseListing, CourseSession } from "#storage";
import { BarTools } from "./bar-tools";
import { CourseMenu } from "./course-menu";
import { KeepingState } from "./keeping-state";
import type { Light } from "./light-switch";

interface BarProps {
  readonly slot: string;
  readonly title: string;
  readonly counts: FlowCounts;
  readonly undo: string | null;
  readonly redo: string | null;
  readonly courses: readonly CourseListing[];
  readonly session: CourseSession;
  readonly state: CourseState;
  readonly light: Light | null;
  readonly onLight: (light: Light) => void;
}

/** The slim bar of every screen: the course, the five steps with what waits, the records, and the state of keeping. */
export function Bar({ slot, title, counts, undo, redo, courses, session, state, light, onLight }: BarProps) {
  const home = `/courses/${slot}`;
  return (
    <header className="sticky top-0 z-30 flex h-[46px] shrink-0 items-stretch gap-5 border-b border-rule bg-paper px-[18px] text-sm max-[1120px]:gap-2.5">
      <CourseMenu slot={slot} title={title} courses={courses} />
      <nav aria-label="Steps of the work" className="flex items-stretch">
        <Step to={`${home}/plan`} count={counts.plan} first>
          Plan
        </Step>
        <Step to={`${home}/collect`} count={counts.collect}>
          Collect
        </Step>
        <Step to={`${home}/score`} count={counts.score}>
          Score
        </Step>
        <Step to={`${home}?step=check`} count={counts.check}>
          Check
        </Step>
        <Step to={`${home}/release`} count={counts.release}>
          Release
        </Step>
      </nav>
      <nav aria-label="Records" className="ml-auto flex items-stretch gap-4 max-[1120px]:gap-2.5">
        <Place to={`${home}/gradebook`}>Gradebook</Place>
        <Place to={`${home}/students`}>Students</Place>
        <Place to={`${home}/journal`}>Journal</Place>
        <Place to={`${home}/files`}>Files</Place>
      </nav>
      <BarTools slot={slot} state={state} undo={undo} redo={redo} light={light} onLight={onLight} />
      <KeepingState session={session} home={home} />
      <Going />
    </header>
  );
}

/** A thin line under the bar while the next page is being fetched. */
function Going() {
  const going = useNavigation().state !== "idle";
  return going ? (
    <div role="progressbar" aria-label="Opening" className="absolute inset-x-0 -bottom-px h-0.5 bg-green" />
  ) : null;
}

function Step({
  to,
  count,
  first = false,
  children,
}: {
  readonly to: string;
  readonly count: number;
  readonly first?: boolean;
  readonly children: string;
}) {
  // The board shows two steps; which one is told by the address, so a filter is no other page to NavLink.
  const filter = to.includes("?");
  const { pathname, search } = useLocation();
  const className = (active: boolean) =>
    `flex items-center border-b-2 ${active ? "border-ink font-semibold text-ink" : "border-transparent text-soft hover:text-ink"}`;
  const label = (
    <span>
      {children}
      {count > 0 && (
        <span className="figures ms-1 text-[13px] font-semibold text-ochre" title={`${String(count)} waiting`}>
          {count}
        </span>
      )}
    </span>
  );
  return (
    <>
      {!first && (
        <span aria-hidden="true" className="self-center px-2 text-rule max-[1120px]:px-0.5">
          →
        </span>
      )}
      {filter ? (
        <Link
          to={to}
          className={className(pathname + search === to)}
          aria-current={pathname + search === to ? "page" : undefined}
        >
          {label}
        </Link>
      ) : (
        <NavLink to={to} className={({ isActive }) => className(isActive)}>
          {label}
        </NavLink>
      )}
    </>
  );
}

function Place({ to, children }: { readonly to: string; readonly children: ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `flex items-center border-b-2 ${isActive ? "border-ink font-semibold text-ink" : "border-transparent text-soft hover:text-ink"}`
      }
    >
      {children}
    </NavLink>
  );
}
