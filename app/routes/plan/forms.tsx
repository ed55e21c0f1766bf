import { useId, useState, type SubmitEvent, type ReactNode } from "react";
import { readRoster } from "#core/formats";
import { parseDecimal, type CategoryId } from "#core/kernel";
import { issueWords } from "../../ui/words";
import { fromLocalText } from "../../ui/moments";
import { useChange } from "../../use-change";

/** A small form that sends one command and says how it came out. `send` answers words of trouble, or null. */
function SmallForm({
  title,
  action,
  send,
  children,
}: {
  readonly title: string;
  readonly action: string;
  readonly send: (fields: FormData) => Promise<string | null>;
  readonly children: ReactNode;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const submit = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const words = await send(new FormData(form));
    setTrouble(words);
    if (words === null) form.reset();
  };
  return (
    <form className="border-t-2 border-ink pt-3" aria-label={title} onSubmit={(event) => void submit(event)}>
      <h2 className="font-semibold">{title}</h2>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        {children}
        <button type="submit" className="act">
          {action}
        </button>
      </div>
      {trouble && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {trouble}
        </p>
      )}
    </form>
  );
}

function Labelled({
  label,
  className,
  children,
}: {
  readonly label: string;
  readonly className?: string;
  readonly children: (id: string) => ReactNode;
}) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-[13px] text-soft">
        {label}
      </label>
      {children(id)}
    </div>
  );
}

const textOf = (fields: FormData, name: string): string => {
  const value = fields.get(name);
  return typeof value === "string" ? value.trim() : "";
};

export function AddCategory() {
  const change = useChange();
  const send = async (fields: FormData) => {
    const typed = textOf(fields, "weight");
    const weight = typed === "" ? null : parseDecimal(typed);
    if (weight && !weight.ok) return issueWords(weight.issue);
    if (weight?.value.startsWith("-")) return "A weight is 0 or more.";
    const outcome = await change({ type: "addCategory", name: textOf(fields, "name"), weight: weight?.value ?? null });
    return outcome.ok ? null : issueWords(outcome.issue);
  };
  return (
    <SmallForm title="Add a category" action="Add" send={send}>
      <Labelled label="Name" className="w-40">
        {(id) => <input id={id} name="name" required maxLength={200} className="field" />}
      </Labelled>
      <Labelled label="Weight, %" className="w-20">
        {(id) => <input id={id} name="weight" inputMode="decimal" className="field" />}
      </Labelled>
    </SmallForm>
  );
}

export function AddStudents({ taken }: { readonly taken: readonly string[] }) {
  const change = useChange();
  const send = async (fields: FormData) => {
    const { students } = readRoster(textOf(fields, "roster"), new Set(taken));
    if (students.length === 0) return "Type or paste at least one student.";
    const outcome = await change({ type: "addStudents", students });
    return outcome.ok ? null : issueWords(outcome.issue);
  };
  return (
    <SmallForm title="Add students" action="Add students" send={send}>
      <Labelled label="One a line: number, name (or the name alone)" className="w-full">
        {(id) => <textarea id={id} name="roster" rows={5} required className="field" />}
      </Labelled>
    </SmallForm>
  );
}

interface AddAssignmentProps {
  readonly categories: readonly { readonly id: CategoryId; readonly name: string }[];
  readonly timeZone: string;
}

export function AddAssignment({ categories, timeZone }: AddAssignmentProps) {
  const change = useChange();
  const send = async (fields: FormData) => {
    const points = parseDecimal(textOf(fields, "points"));
    if (!points.ok) return issueWords(points.issue);
    if (points.value.startsWith("-")) return "Points are 0 or more.";
    const name = textOf(fields, "name");
    const outcome = await change({
      type: "addAssignment",
      name,
      shortName: name.split(" ").slice(0, 2).join(" "),
      categoryId: textOf(fields, "category") as CategoryId,
      points: points.value,
      dueAt: fromLocalText(textOf(fields, "due"), timeZone),
      channel: fields.get("paper") === "on" ? "paper" : "file",
      bonus: false,
      task: "",
      rubric: null,
    });
    return outcome.ok ? null : issueWords(outcome.issue);
  };
  return (
    <div className="mt-8">
      <SmallForm title="Add an assignment" action="Add assignment" send={send}>
        <Labelled label="Name" className="w-56">
          {(id) => <input id={id} name="name" required maxLength={200} className="field" />}
        </Labelled>
        <Labelled label="Category" className="w-40">
          {(id) => (
            <select id={id} name="category" className="field">
              {categories.map((category) => (
                <option key={category.id} value={category.id}>
                  {category.name}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="Points" className="w-20">
          {(id) => <input id={id} name="points" required inputMode="decimal" className="field" />}
        </Labelled>
        <Labelled label={`Due (${timeZone})`}>
          {(id) => <input id={id} name="due" type="datetime-local" className="field" />}
        </Labelled>
        <label className="flex h-9 items-center gap-2 text-[14px]">
          <input type="checkbox" name="paper" className="size-4 accent-green" />
          On paper
        </label>
      </SmallForm>
    </div>
  );
}
