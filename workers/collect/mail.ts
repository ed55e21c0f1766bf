import PostalMime from "postal-mime";
import type { Instant } from "#core/kernel";
import type { DropRemark, LooseFile } from "./messages";

const encoder = new TextEncoder();

/**
 * The attachments of a letter; of a letter without any, what it says is the work. Pictures that stand in its text, such as
 * a signature's, are no work.
 */
export async function filesOfMail(
  letter: Blob,
  at: { readonly path: string; readonly source: string },
): Promise<readonly (LooseFile | DropRemark)[]> {
  const mail = await PostalMime.parse(await letter.arrayBuffer()).catch(() => null);
  if (!mail) return [{ path: at.path, code: "mail_damaged" }];
  const moment = mail.date ? new Date(mail.date) : null;
  const subject = (mail.subject ?? "").trim() || (at.path.split("/").at(-1) ?? at.path);
  const known = {
    source: at.source,
    letter: `${at.path} ${mail.messageId ?? ""}`.slice(0, 300),
    at: moment && !Number.isNaN(moment.getTime()) ? (moment.toISOString() as Instant) : null,
    senderAddress: mail.from?.address ?? "",
    senderName: mail.from?.name ?? "",
  };
  const attached = mail.attachments.filter(
    ({ disposition, related, mimeType }) => !((disposition === "inline" || related) && mimeType.startsWith("image/")),
  );
  const folder = subject.replace(/[\\/]+/g, " ");
  const files = attached.map(({ filename, content, mimeType }, index) => ({
    ...known,
    path: `${folder}/${(filename ?? `attachment ${String(index + 1)}`).replace(/[\\/]+/g, " ")}`,
    blob: new Blob([typeof content === "string" ? encoder.encode(content) : new Uint8Array(content as ArrayBuffer)], {
      type: mimeType,
    }),
  }));
  if (files.length > 0) return files;
  const text = (mail.text ?? "").trim();
  if (text === "") return [{ path: at.path, code: "mail_without_work" }];
  const blob = new Blob([text], { type: "text/plain" });
  return [{ ...known, isLetterAlone: true, path: `${folder}/${folder}.txt`, blob }];
}

/** The letters of a mailbox; a line of a letter that begins as a letter would stands behind `>` (RFC 4155, appendix A). */
export function lettersOf(mailbox: string): readonly string[] {
  return mailbox
    .split(/^(?=From \S+.* \d{4}\s*$)/m)
    .map((letter) => letter.replace(/^From .*\r?\n/, "").replace(/^>(>*From )/gm, "$1"))
    .filter((letter) => letter.trim() !== "");
}
