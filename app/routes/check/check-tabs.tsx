import { Link } from "react-router";
import { inAddress } from "../../ui/address";
import type { CheckView } from "./rows";

const VIEW_NAMES: Readonly<Record<CheckView, string>> = {
  spread: "Spread",
  criteria: "Criteria",
  questions: "Questions",
  second: "Second marking",
  packets: "Packets",
  shared: "Shared text",
  scaling: "Scaling",
};

/** What can be looked at, side by side: the views of one assignment, then the course. */
export function CheckTabs({
  slot,
  assignmentId,
  views,
  view,
}: {
  readonly slot: string;
  readonly assignmentId: string;
  readonly views: readonly CheckView[];
  /** The one that is shown; `course` for the course. */
  readonly view: CheckView | "course";
}) {
  const home = `/courses/${slot}/check`;
  const part = `assignment=${inAddress(assignmentId)}`;
  return (
    <nav aria-label="What is looked at" className="mt-3 flex flex-wrap gap-x-6 border-b border-rule text-[14px]">
      {views.map((one) => (
        <Tab key={one} to={`${home}?${part}&view=${one}`} isShown={view === one}>
          {VIEW_NAMES[one]}
        </Tab>
      ))}
      <Tab to={`${home}/course?${part}`} isShown={view === "course"}>
        Course: letters
      </Tab>
    </nav>
  );
}

function Tab({ to, isShown, children }: { readonly to: string; readonly isShown: boolean; readonly children: string }) {
  return (
    <Link
      to={to}
      replace
      preventScrollReset
      aria-current={isShown ? "page" : undefined}
      className={`-mb-px border-b-2 pb-1.5 ${isShown ? "border-ink font-semibold" : "border-transparent text-soft hover:text-ink"}`}
    >
      {children}
    </Link>
  );
}
