import { strFromU8, unzipSync, type UnzipFileInfo } from "fflate";
import type { PageIssue } from "#core/formats";

/** Most parts of a document that is an archive, most bytes of its text and of its pictures once unpacked. */
const MOST_PARTS = 3_000;
const MOST_XML = 12_000_000;
const MOST_MEDIA = 80_000_000;

const isText = (name: string): boolean => /\.(?:xml|rels)$/i.test(name);

/**
 * The parts of a document that are needed to show it: its texts, and pictures where `isPicture` says so. What reads them
 * next never meets a size that the file lied about, or a document type that defines entities.
 */
export function documentParts(
  bytes: Uint8Array,
  isPicture: (name: string) => boolean,
): Readonly<Record<string, Uint8Array>> | PageIssue {
  let [parts, xml, media] = [0, 0, 0];
  const wanted = ({ name, originalSize }: UnzipFileInfo): boolean => {
    parts += 1;
    const kept = isText(name) || isPicture(name);
    if (kept && isText(name)) xml += originalSize;
    else if (kept) media += originalSize;
    return kept && parts <= MOST_PARTS && xml <= MOST_XML && media <= MOST_MEDIA;
  };
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, { filter: wanted });
  } catch {
    return "damaged";
  }
  if (parts > MOST_PARTS || xml > MOST_XML || media > MOST_MEDIA) return "too_large";
  const texts = Object.entries(files).filter(([name]) => isText(name));
  return texts.some(([, text]) => strFromU8(text.slice(0, 4_000)).includes("<!DOCTYPE")) ? "damaged" : files;
}
