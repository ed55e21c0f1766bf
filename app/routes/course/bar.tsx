import { Redo2, Undo2 } from "lucide-react";
import { useEffect, type ReactNode } from "react";
import { Link, NavLink, useLocation, useNavigation } from "react-router";
import type { FlowCounts } from "#core/release";
import type { CourseState } from "#core/model";
import type { CourseListing, CourseSession } from "#storage";
import { isTyping } from "../../ui/keys";
import { useChange } from "../../course/use-change";
import { CommandSearch } from "./command-search";
import { CourseMenu } from "./course-menu";
import { KeepingState } from "./keeping-state";
import { KeySheet } from "./key-sheet";
import { LightSwitch, type Light } from "./light-switch";

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
        <Step to={`${home}?step=collect`} count={counts.collect}>
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
      <div className="flex items-center gap-1">
        <CommandSearch slot={slot} state={state} />
        <UndoRedo undo={undo} redo={redo} />
        <LightSwitch chosen={light} onChoose={onLight} />
        <KeySheet />
      </div>
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

function UndoRedo({ undo, redo }: { readonly undo: string | null; readonly redo: string | null }) {
  const change = useChange();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || isTyping(event.target)) return;
      const key = event.key.toLowerCase();
      if (key !== "z" && key !== "y") return;
      event.preventDefault();
      void change(key === "y" || event.shiftKey ? "redo" : "undo");
    };
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, [change]);
  const button =
    "grid size-8 place-items-center rounded text-soft enabled:hover:bg-table enabled:hover:text-ink disabled:opacity-40";
  return (
    <>
      <button
        type="button"
        className={button}
        disabled={!undo}
        aria-label={undo ? `Undo: ${undo}` : "Nothing to undo"}
        title={undo ? `Undo: ${undo} (Ctrl Z)` : "Nothing to undo"}
        onClick={() => void change("undo")}
      >
        <Undo2 size={16} aria-hidden="true" />
      </button>
      <button
        type="button"
        className={button}
        disabled={!redo}
        aria-label={redo ? `Redo: ${redo}` : "Nothing to redo"}
        title={redo ? `Redo: ${redo} (Ctrl Y)` : "Nothing to redo"}
        onClick={() => void change("redo")}
      >
        <Redo2 size={16} aria-hidden="true" />
      </button>
    </>
  );
}
