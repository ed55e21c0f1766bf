import type { ReactNode } from "react";
import { NavLink, useNavigation } from "react-router";
import type { FlowCounts } from "#core/release";
import type { CourseState } from "#core/model";
import type { CourseListing, CourseSession } from "#storage";
import { BarTools } from "./bar-tools";
import { CourseMenu } from "./course-menu";
import { KeepingState } from "./keeping-state";
import type { Light } from "./light-switch";

/** What every bar shows. */
export interface BarProps {
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
  /** Locks the course; null where it has no lock. */
  readonly onLock: (() => void) | null;
}

/** The slim bar of every screen: the course, its steps, its records, and the state of keeping. */
export function BarFrame({
  slot,
  title,
  undo,
  redo,
  courses,
  session,
  state,
  light,
  onLight,
  onLock,
  steps,
  records,
}: BarProps & { readonly steps: ReactNode; readonly records: ReactNode }) {
  return (
    <header className="sticky top-0 z-30 flex h-[46px] shrink-0 items-stretch gap-5 border-b border-rule bg-paper px-[18px] text-sm max-[1120px]:gap-2.5">
      <CourseMenu slot={slot} title={title} courses={courses} />
      <nav aria-label="Steps of the work" className="flex items-stretch">
        {steps}
      </nav>
      <nav aria-label="Records" className="ml-auto flex items-stretch gap-4 max-[1120px]:gap-2.5">
        {records}
      </nav>
      <BarTools slot={slot} state={state} undo={undo} redo={redo} light={light} onLight={onLight} onLock={onLock} />
      <KeepingState session={session} home={`/courses/${slot}`} />
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

/** A step of the work, with what waits in it. */
export function Step({
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
  const label = (
    <span>
      {children}
      {count > 0 && (
        <span className="figures ms-1 text-[13px] font-semibold text-ochre" data-hint={`${String(count)} waiting`}>
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
      <Place to={to}>{label}</Place>
    </>
  );
}

/** A place that the bar leads to. */
export function Place({ to, children }: { readonly to: string; readonly children: ReactNode }) {
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
