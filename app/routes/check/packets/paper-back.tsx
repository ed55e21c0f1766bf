import type { Assignment, CourseState } from "#core/model";
import type { Choices, ComparedPaper, ComparedPart, PartState } from "#core/packets";
import { partName, valueWords } from "./part-words";
import { STATE_WORDS } from "./state-words";

const STATE_COLOURS: Partial<Readonly<Record<PartState, string>>> = { conflict: "text-wax", differs: "text-ochre" };

interface PaperBackProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly paper: ComparedPaper;
  readonly name: string;
  readonly choices: Choices;
  readonly onChoose: (part: ComparedPart, choice: "here" | "packet") => void;
}

/** One paper of a packet that came back: each thing that was changed, and where both sides did, both values to choose from. */
export function PaperBack({ state, assignment, paper, name, choices, onChoose }: PaperBackProps) {
  return (
    <li aria-label={name} className="figures border-b border-rule py-2 text-[14.5px] last:border-0">
      <span className="flex gap-4">
        <strong className="flex-1">{name}</strong>
        <span className={STATE_COLOURS[paper.state] ?? "text-soft"}>{STATE_WORDS[paper.state]}</span>
      </span>
      <ul className="text-[14px]">
        {paper.parts.map((part) => {
          const words = (value: ComparedPart["here"]) => valueWords(state, assignment, part.part, value);
          const named = partName(state, assignment, part.part);
          return (
            <li key={part.place} className="flex flex-wrap items-baseline gap-x-3 py-0.5">
              <span className="w-52 text-soft">{named}</span>
              {part.state === "conflict" ? (
                <span role="group" aria-label={`${named} of ${name}`} className="flex flex-wrap gap-2">
                  <Side
                    words={`Here: ${words(part.here)}`}
                    isChosen={choices.get(part.place) === "here"}
                    onPress={() => {
                      onChoose(part, "here");
                    }}
                  />
                  <Side
                    words={`Packet: ${words(part.there)}`}
                    isChosen={choices.get(part.place) === "packet"}
                    onPress={() => {
                      onChoose(part, "packet");
                    }}
                  />
                </span>
              ) : (
                <span>
                  {part.state === "differs" && <span className="text-soft">{words(part.here)} → </span>}
                  {words(part.there)}
                  {part.state === "gone" && paper.state !== "gone" && (
                    <span className="text-soft"> ({STATE_WORDS.gone})</span>
                  )}
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </li>
  );
}

/** One of two values; the one that is chosen says so, and not by its colour alone. */
function Side({
  words,
  isChosen,
  onPress,
}: {
  readonly words: string;
  readonly isChosen: boolean;
  readonly onPress: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      className={`act act-quiet !py-0.5 ${isChosen ? "!border-ink font-semibold" : ""}`}
      onClick={onPress}
    >
      {isChosen ? "✓ " : ""}
      {words}
    </button>
  );
}
