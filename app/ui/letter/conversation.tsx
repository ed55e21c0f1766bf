import { useId, useState, type KeyboardEvent } from "react";
import type { ChangeResult } from "#core/changes";
import type { Message } from "#core/model";
import { momentText } from "#core/words";
import { AsYouLeftIt } from "../fields/as-you-left-it";
import { readTextDraft, useTyped } from "../fields/drafts";
import { issueWords } from "../words/words";

interface ConversationProps {
  /** What it is about, for what is half-typed. */
  readonly place: string;
  readonly messages: readonly Message[];
  /** Who is looking. */
  readonly side: Message["from"];
  readonly nameOf: (message: Message) => string;
  readonly timeZone: string;
  /** Whom one writes to, or about what. */
  readonly placeholder: string;
  /** Left out where nothing can be written. */
  readonly onSend?: (text: string) => Promise<ChangeResult>;
}

/** What was said about a paper, back and forth, and a field to go on. */
export function Conversation({ place, messages, side, nameOf, timeZone, placeholder, onSend }: ConversationProps) {
  const id = useId();
  const { value: text, set: setText, clear, isLeft } = useTyped(place, "", readTextDraft);
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = async () => {
    if (!onSend || text.trim() === "") return;
    const outcome = await onSend(text);
    setTrouble(outcome.ok ? null : issueWords(outcome.issue));
    if (outcome.ok) clear();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    event.stopPropagation();
    void send();
  };
  return (
    <div className="space-y-2">
      {messages.length > 0 && (
        <ol aria-label="Conversation" className="space-y-2">
          {messages.map((message) => (
            <li
              key={message.id}
              className={`border-s-2 ps-2.5 ${message.from === side ? "border-rule" : "border-green"}`}
            >
              <p className="text-[13px] text-soft">
                <strong className="font-semibold text-ink">{nameOf(message)}</strong>,{" "}
                {momentText(message.at, timeZone)}
                {message.from === side && message.readAt === null && " · not read yet"}
              </p>
              <p className="font-serif text-[15px] whitespace-pre-wrap">{message.text}</p>
            </li>
          ))}
        </ol>
      )}
      {onSend && (
        <div>
          <label htmlFor={id} className="sr-only">
            {placeholder}
          </label>
          <textarea
            id={id}
            className="field block field-sizing-content min-h-9 resize-none text-[14px] leading-snug"
            rows={1}
            spellCheck
            placeholder={placeholder}
            value={text}
            onChange={(event) => {
              setText(event.target.value);
            }}
            onKeyDown={onKeyDown}
          />
          {isLeft && <AsYouLeftIt onClear={clear} />}
          {trouble && (
            <p role="alert" className="mt-1 text-[13px] text-wax">
              {trouble}
            </p>
          )}
          {text.trim() !== "" && (
            <button type="button" className="act mt-1.5" onClick={() => void send()}>
              Send <span className="text-[13px] font-normal">Ctrl Enter</span>
            </button>
          )}
        </div>
      )}
    </div>
  );
}
