import type { Mail } from "#core/model";
import { momentText } from "#core/words";
import { formattedHtml } from "../../ui/letter/formatted";

/** Letters that came by post; opening one tells the instructor when the student reads it. */
export function Mailbox({
  mails,
  timeZone,
  onOpen,
}: {
  readonly mails: readonly Mail[];
  readonly timeZone: string;
  /** Left out where the instructor only looks. */
  readonly onOpen?: (mail: Mail) => void;
}) {
  if (mails.length === 0) return null;
  return (
    <section aria-label="Post" className="mt-6 border border-rule bg-sheet px-6 py-6">
      <div className="mx-auto max-w-[560px]">
        <h2 className="font-serif text-[20px] leading-tight font-semibold">Post</h2>
        {mails.map((mail) => (
          <details
            key={mail.id}
            className="border-b border-rule py-2"
            onToggle={(event) => {
              if (event.currentTarget.open && mail.openedAt === null) onOpen?.(mail);
            }}
          >
            <summary className="cursor-pointer">
              <span className={mail.openedAt === null ? "font-semibold" : ""}>{mail.subject}</span>{" "}
              <span className="figures text-[13.5px] text-soft">
                {momentText(mail.at, timeZone)}
                {mail.openedAt === null ? ", not opened" : ""}
              </span>
            </summary>
            <div
              className="formatted mt-2 font-serif text-[16px] leading-relaxed"
              dangerouslySetInnerHTML={{ __html: formattedHtml(mail.body) }}
            />
          </details>
        ))}
      </div>
    </section>
  );
}
