import { milliseconds, type Instant } from "#core/kernel";
import { base64, base64Text } from "../files/base64";

/** Someone a letter goes to or comes from. */
export interface MailPerson {
  readonly name: string;
  /** Empty where no address is known: the draft then has none and asks for it. */
  readonly address: string;
}

/** A file that goes with a letter. */
export interface MailAttachment {
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Uint8Array;
}

/** A letter as a draft. */
export interface MailDraft {
  readonly to: MailPerson;
  readonly subject: string;
  readonly body: string;
  readonly at: Instant;
  readonly attachments: readonly MailAttachment[];
  /** A text that stands nowhere in the parts; it divides them. */
  readonly boundary: string;
}

const LINE = "\r\n";
/** Longest line of a header or of base64 (RFC 2045, section 6.8; RFC 5322, section 2.1.1). */
const WIDTH = 76;

/** Bytes of UTF-8 in one encoded word, so that with its frame it stays under 75 letters (RFC 2047, section 2). */
const WORD_BYTES = 42;

/** A header's text as it may stand there: plain, or as encoded words (RFC 2047), which cut no letter in two. */
export function headerText(text: string): string {
  const clean = text.replace(/[\r\n\t]+/g, " ").trim();
  if (/^[\x20-\x7e]*$/.test(clean) && !clean.includes("=?") && clean.length <= 60) return clean;
  const words: string[] = [];
  let word = "";
  for (const letter of clean) {
    if (new TextEncoder().encode(word + letter).length > WORD_BYTES) {
      words.push(word);
      word = "";
    }
    word += letter;
  }
  if (word !== "") words.push(word);
  return words.map((part) => `=?UTF-8?B?${base64Text(part)}?=`).join(`${LINE} `);
}

/** An address that can stand in a header; anything else is no address. */
const ADDRESS = /^[^\s<>@,;:"()[\]\\]{1,64}@[^\s<>@,;:"()[\]\\]{1,255}$/;

/** Whether a draft can be addressed to it. */
export const isMailAddress = (address: string): boolean => ADDRESS.test(address) && /^[\x21-\x7e]+$/.test(address);

function personText({ name, address }: MailPerson): string {
  const shown = headerText(name);
  const quoted = shown.startsWith("=?") || shown === "" ? shown : `"${shown.replace(/["\\]/g, "\\$&")}"`;
  return [quoted, `<${address}>`].filter(Boolean).join(quoted.length > 40 ? `${LINE} ` : " ");
}

const folded = (text: string): string => (text.match(new RegExp(`.{1,${String(WIDTH)}}`, "g")) ?? []).join(LINE);

/** A file's name in a header (RFC 2231): plain where it may be, otherwise in percent, cut into numbered parts. */
function fileNameText(key: string, name: string): string {
  const clean = name.replace(/[\r\n"\\]/g, "_");
  if (/^[\x20-\x7e]+$/.test(clean) && clean.length <= 50) return `;${LINE} ${key}="${clean}"`;
  const letters = [...clean].map((letter) =>
    /[A-Za-z0-9.-]/.test(letter)
      ? letter
      : [...new TextEncoder().encode(letter)]
          .map((byte) => `%${byte.toString(16).toUpperCase().padStart(2, "0")}`)
          .join(""),
  );
  const parts: string[] = [""];
  for (const letter of letters) {
    if ((parts.at(-1) ?? "").length + letter.length > 48) parts.push("");
    parts[parts.length - 1] = (parts.at(-1) ?? "") + letter;
  }
  return parts
    .map((part, index) => `;${LINE} ${key}*${String(index)}*=${index === 0 ? "UTF-8''" : ""}${part}`)
    .join("");
}

const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const two = (value: number): string => String(value).padStart(2, "0");

/** A moment as a mail's date (RFC 5322, section 3.3), in UTC. */
function dateText(at: Instant): string {
  const date = new Date(milliseconds(at));
  const [day, month] = [DAYS[date.getUTCDay()] ?? "", MONTHS[date.getUTCMonth()] ?? ""];
  const time = [date.getUTCHours(), date.getUTCMinutes(), date.getUTCSeconds()].map(two).join(":");
  return `${day}, ${two(date.getUTCDate())} ${month} ${String(date.getUTCFullYear())} ${time} +0000`;
}

/**
 * A letter as an .eml draft (RFC 5322, 2045 to 2047, 2231): seven-bit, lines of at most 78 letters, the text and every
 * file in base64. `X-Unsent` lets mail programs that know it open a draft instead of a letter received (common practice,
 * no source). A draft names no sender: the program it is sent with does.
 */
export function mailDraft({ to, subject, body, at, attachments, boundary }: MailDraft): string {
  const text = [
    "Content-Type: text/plain; charset=utf-8",
    "Content-Transfer-Encoding: base64",
    "",
    folded(base64Text(body.replace(/\r?\n/g, LINE))),
  ];
  const head = [
    ...(isMailAddress(to.address) ? [`To: ${personText(to)}`] : []),
    `Subject: ${headerText(subject)}`,
    `Date: ${dateText(at)}`,
    "MIME-Version: 1.0",
    "X-Unsent: 1",
  ];
  if (attachments.length === 0) return [...head, ...text, ""].join(LINE);
  const parts = attachments.flatMap(({ name, mediaType, bytes }) => [
    `--${boundary}`,
    `Content-Type: ${/^[\w.+-]+\/[\w.+-]+$/.test(mediaType) ? mediaType : "application/octet-stream"}`,
    "Content-Transfer-Encoding: base64",
    `Content-Disposition: attachment${fileNameText("filename", name)}`,
    "",
    folded(base64(bytes)),
  ]);
  return [
    ...head,
    `Content-Type: multipart/mixed; boundary="${boundary}"`,
    "",
    `--${boundary}`,
    ...text,
    ...parts,
    `--${boundary}--`,
    "",
  ].join(LINE);
}
