import { fileTypeFromBlob, fileTypeFromBuffer } from "file-type";
import { mediaTypeOf } from "#core/model";

/** Bytes from which a text is told from what is none. */
const LOOKED_AT = 4_096;
/** Bytes up to which a file is read whole, once: a look into a blob costs more than its bytes. */
const READ_WHOLE = 1_000_000;

const MAIL_HEAD = /^(?:return-path|received|from|to|date|subject|message-id|mime-version|delivered-to|x-[\w-]+): /im;
const MAIL_FIELDS = /^(?:from|date|subject|message-id|mime-version):/gim;
const MAILBOX_HEAD = /^From \S+.* \d{4}\s*$/m;

/** Media types by which a name's ending tells more than the bytes do. */
const READ_AS_TEXT = /^text\/|^application\/(?:json|xml|javascript|x-ipynb\+json)$/;

const UNKNOWN = "application/octet-stream";

/** Without its parameters: `audio/ogg` of `audio/ogg; codecs=opus`. */
const plainType = (mime: string): string => (mime.split(";")[0] ?? "").trim().toLowerCase();

/** What a dropped thing is: to be taken apart, or a file of this media type. */
export type DroppedKind =
  | { readonly kind: "archive" | "mail" | "mailbox" }
  | { readonly kind: "file"; readonly mediaType: string };

/**
 * Tells from its bytes what a file is; among texts, which have none that tell, its name's ending decides. A letter is
 * known by its head (RFC 5322), a mailbox by its first line (RFC 4155).
 */
export async function kindOf(file: Blob, name: string): Promise<DroppedKind> {
  const whole = file.size <= READ_WHOLE ? new Uint8Array(await file.arrayBuffer()) : null;
  const found = await (whole ? fileTypeFromBuffer(whole) : fileTypeFromBlob(file)).catch(() => undefined);
  const byName = mediaTypeOf(name);
  if (file.size === 0) return { kind: "file", mediaType: byName };
  if (found?.mime === "application/zip") {
    // A document of parts that is damaged shows no more of itself than that it is an archive.
    return byName === UNKNOWN ? { kind: "archive" } : { kind: "file", mediaType: byName };
  }
  if (found && !READ_AS_TEXT.test(found.mime)) return { kind: "file", mediaType: plainType(found.mime) };
  const head = whole?.subarray(0, LOOKED_AT) ?? new Uint8Array(await file.slice(0, LOOKED_AT).arrayBuffer());
  if (head.includes(0)) return { kind: "file", mediaType: UNKNOWN };
  const text = new TextDecoder().decode(head).replace(/^\uFEFF/, "");
  if (MAILBOX_HEAD.test(text.split("\n", 1)[0] ?? "")) return { kind: "mailbox" };
  if (MAIL_HEAD.test(text.split("\n", 1)[0] ?? "") && (text.match(MAIL_FIELDS)?.length ?? 0) >= 2)
    return { kind: "mail" };
  return { kind: "file", mediaType: READ_AS_TEXT.test(byName) || byName === "image/svg+xml" ? byName : "text/plain" };
}
