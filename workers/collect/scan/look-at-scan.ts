import wasmUrl from "zxing-wasm/reader/zxing_reader.wasm?url";
import type { SeenPage } from "#core/collect";
import { findCode, prepareReader } from "./find-code";
import { tiffPages } from "../../pages/tiff-pages";
import { grayOf, type Gray } from "./gray";
import { isBlank } from "./is-blank";
import { pageOfImage } from "./page-of-image";
import { pagesOfPdf } from "./pages-of-pdf";

prepareReader({ url: wasmUrl });

async function seenOn(page: Gray): Promise<SeenPage> {
  if (isBlank(page)) return { code: "", turn: null, isBlank: true };
  const found = await findCode(page);
  return { code: found?.text ?? "", turn: found?.turn ?? null, isBlank: false };
}

/**
 * Looks at each page of a scan: a PDF, or pictures of single pages in their order. `tell` hears how many pages are done,
 * of how many. @throws what the readers throw for what cannot be read
 */
export async function lookAtScan(
  files: readonly Blob[],
  tell: (done: number, all: number) => Promise<void>,
): Promise<readonly SeenPage[]> {
  const seen: SeenPage[] = [];
  for (const file of files) {
    if (file.type === "application/pdf") {
      for await (const { page, all } of pagesOfPdf(file)) {
        seen.push(await seenOn(page));
        await tell(seen.length, all + files.length - 1);
      }
    } else if (file.type === "image/tiff") {
      for (const page of tiffPages(new Uint8Array(await file.arrayBuffer()))) {
        seen.push(await seenOn(grayOf(page)));
        await tell(seen.length, Math.max(seen.length, files.length));
      }
    } else {
      seen.push(await seenOn(await pageOfImage(file)));
      await tell(seen.length, files.length);
    }
  }
  return seen;
}
