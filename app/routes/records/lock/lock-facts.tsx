import { Choice } from "../../../ui/fields/choice";

/** When a lock closes by itself, in minutes. */
const IDLE: readonly (readonly [minutes: string, words: string])[] = [
  ["5", "after 5 minutes"],
  ["15", "after 15 minutes"],
  ["30", "after 30 minutes"],
  ["60", "after an hour"],
  ["0", "never by itself"],
];

interface LockFactsProps {
  readonly label: string;
  readonly idleMinutes: number;
  readonly onChange: (facts: { readonly label: string; readonly idleMinutes: number }) => void;
}

/** What a course is called while it is locked, and when it locks itself. */
export function LockFactFields({ label, idleMinutes, onChange }: LockFactsProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label>
        <span className="block text-[13px] text-soft">Called, while it is locked</span>
        <input
          className="field w-64"
          maxLength={80}
          value={label}
          onChange={(event) => {
            onChange({ label: event.target.value, idleMinutes });
          }}
        />
      </label>
      <label>
        <span className="block text-[13px] text-soft">Locks itself when nobody touches it</span>
        <Choice
          className="w-56"
          options={IDLE}
          value={String(idleMinutes)}
          onChoose={(minutes) => {
            onChange({ label, idleMinutes: Number(minutes) });
          }}
        />
      </label>
    </div>
  );
}
