import { useState } from "react";
import type { Mail } from "#core/model";
import { counted, momentText } from "#core/words";

/** Letters drawn at first, and more at each asking. */
const STRETCH = 60;

/** What the post office has delivered: to whom, when, and whether it was opened. */
export function SentList({
  mails,
  timeZone,
  nameOf,
}: {
  readonly mails: readonly Mail[];
  readonly timeZone: string;
  readonly nameOf: (id: string) => string;
}) {
  const [length, setLength] = useState(STRETCH);
  if (mails.length === 0) return <p className="mt-6 text-soft">Nothing has been sent yet.</p>;
  const opened = mails.filter(({ openedAt }) => openedAt !== null).length;
  return (
    <section aria-label="Sent" className="mt-6 border-t-2 border-ink pt-2">
      <h2 className="figures text-[16px] font-semibold">
        Sent: {counted(mails.length, "letter")}, {opened} opened
      </h2>
      <table className="mt-1 w-full text-[14px]">
        <thead>
          <tr className="border-b border-rule text-left text-[13.5px] text-soft">
            <th className="py-1 font-normal">When</th>
            <th className="font-normal">To</th>
            <th className="font-normal">Subject</th>
            <th className="font-normal">Kind</th>
            <th className="font-normal">Opened</th>
          </tr>
        </thead>
        <tbody>
          {mails.slice(0, length).map((mail) => (
            <tr key={mail.id} className="figures border-b border-rule align-top">
              <td className="py-1 pe-3 whitespace-nowrap">{momentText(mail.at, timeZone)}</td>
              <td className="pe-3">{nameOf(mail.studentId)}</td>
              <td className="pe-3">
                <details>
                  <summary className="cursor-pointer">{mail.subject}</summary>
                  <p className="mt-1 font-serif text-[15px] whitespace-pre-wrap">{mail.body}</p>
                </details>
              </td>
              <td className="pe-3 text-soft">{mail.kind === "reminder" ? "reminder" : "results"}</td>
              <td className={mail.openedAt ? "text-green" : "text-soft"}>
                {mail.openedAt ? `✓ ${momentText(mail.openedAt, timeZone)}` : "not yet"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {mails.length > length && (
        <button
          type="button"
          className="link mt-2 text-[14px]"
          onClick={() => {
            setLength(length + STRETCH);
          }}
        >
          Show more
        </button>
      )}
    </section>
  );
}
