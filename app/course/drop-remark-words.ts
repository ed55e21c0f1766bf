import type { DropRemark } from "../../workers/protocol";

/** Why something that was dropped, or lies in an archive, was passed over; follows its name. */
export const DROP_REMARK_WORDS: Readonly<Record<DropRemark["code"], string>> = {
  archive_damaged: "is damaged and cannot be opened. Make it again, or drop its files.",
  archive_locked: "is locked in its archive. Unpack it with its passphrase and drop the file.",
  archive_too_large: "holds more than 2 GB or 20,000 files. Drop it in parts.",
  archive_in_archive: "lies too deep in archives. Unpack the outer one and drop the inner.",
  entry_damaged: "is damaged in its archive, or larger than it says. Make the archive again.",
  path_climbs_out: "would lie outside of its archive and was left out. Rename it and drop it alone.",
  file_too_large: "is larger than 500 MB. Ask for a smaller one.",
  mail_damaged: "is no letter that can be read. Save it again from the mail program.",
  mail_without_work: "has no attachment and says nothing. Ask for the work again.",
};
