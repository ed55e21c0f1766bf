import cyrillicStrong from "@fontsource/literata/files/literata-cyrillic-600-normal.woff?url";
import cyrillic from "@fontsource/literata/files/literata-cyrillic-400-normal.woff?url";
import greekStrong from "@fontsource/literata/files/literata-greek-600-normal.woff?url";
import greek from "@fontsource/literata/files/literata-greek-400-normal.woff?url";
import latinExtendedStrong from "@fontsource/literata/files/literata-latin-ext-600-normal.woff?url";
import latinExtended from "@fontsource/literata/files/literata-latin-ext-400-normal.woff?url";
import latinStrong from "@fontsource/literata/files/literata-latin-600-normal.woff?url";
import latin from "@fontsource/literata/files/literata-latin-400-normal.woff?url";
import vietnameseStrong from "@fontsource/literata/files/literata-vietnamese-600-normal.woff?url";
import vietnamese from "@fontsource/literata/files/literata-vietnamese-400-normal.woff?url";
import type { FontFile } from "../../workers/protocol";

const FILES: Readonly<Record<FontFile["weight"], readonly string[]>> = {
  text: [latin, latinExtended, greek, cyrillic, vietnamese],
  strong: [latinStrong, latinExtendedStrong, greekStrong, cyrillicStrong, vietnameseStrong],
};

let loaded: Promise<readonly FontFile[]> | null = null;

/** The book serif for files, read once from the application's own address; each file covers a part of its letters. */
export function pdfFonts(): Promise<readonly FontFile[]> {
  loaded ??= Promise.all(
    (["text", "strong"] as const).flatMap((weight) =>
      FILES[weight].map(async (address) => {
        const answer = await fetch(address);
        return { address, weight, bytes: new Uint8Array(await answer.arrayBuffer()) };
      }),
    ),
  );
  return loaded;
}
