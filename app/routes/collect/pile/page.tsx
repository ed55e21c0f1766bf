import { useState, useSyncExternalStore } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { laidOut, papersOf, type ScanPage } from "#core/collect";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { openReading } from "../../../course/tray-reading";
import { fromAddress } from "../../../ui/address";
import { Tick } from "../../../ui/fields/tick";
import { UnderStep } from "../../../ui/parts/under-step";
import { LaidPages } from "./laid-pages";
import { nameOfCode, pagesOf } from "./pages-of";
import type { Route } from "./+types/page";
import { CutEvery } from "./cut-every";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const { tray, reading } = await openReading(repository, session);
  const id = fromAddress("piece", params.pieceId);
  const piece = orMissing(
    tray.pieces.find((one) => one.id === id),
    "piece of the tray",
  );
  const blob = orMissing((await repository.readFile(params.slot, piece.file.id)) ?? undefined, "file");
  return { tray, reading, piece, blob, shown: live(session, (state) => state) };
}

export default function PilePage({ loaderData, params }: Route.ComponentProps) {
  const { tray, reading, piece: opened, blob } = loaderData;
  const state = useLive(loaderData.shown);
  const all = useSyncExternalStore(tray.subscribe, () => tray.pieces);
  const piece = all.find(({ id }) => id === opened.id) ?? opened;
  const pages = pagesOf(piece);
  const [isCutting, setCutting] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const back = `/courses/${params.slot}/collect?into=${search.get("into") ?? ""}`;
  const keep = (next: readonly ScanPage[]) => void tray.change({ ...piece, scan: [...next] });
  const papers = papersOf(pages);
  const codes = pages.filter(({ code }) => code !== "").length;
  const blank = pages.filter(({ isBlank }) => isBlank).length;
  const cut = () => {
    setCutting(true);
    setTrouble(null);
    reading.cut(piece, pages).then(
      () => void navigate(`${back}&from=${encodeURIComponent(piece.file.name)}`),
      () => {
        setCutting(false);
        setTrouble("It could not be cut. The pile is as it was; scan it anew, or take it in as it is.");
      },
    );
  };
  return (
    <main className="mx-auto max-w-[1180px] px-10 pt-6 pb-24 max-[1120px]:px-5">
      <title>Pages of a pile · Upright Quill</title>
      <UnderStep step="Collect" to={back} title={piece.file.name} />
      <p className="figures text-[14px] text-soft">
        {[
          counted(pages.length, "page"),
          codes > 0 ? counted(codes, "code") : "no code of this course",
          ...(blank > 0 ? [`${counted(blank, "page")} blank`] : []),
        ].join(" · ")}
        . A paper begins where a page is marked; its pages stay in their order.
      </p>
      <div className="mt-4 flex flex-wrap items-end gap-x-8 gap-y-3 text-[14px]">
        <CutEvery key={piece.id} pages={pages} onKeep={keep} />
        {blank > 0 && (
          <Tick
            checked={pages.every((page) => !page.isBlank || page.isLeftOut)}
            onChange={(isLeftOut) => {
              keep(pages.map((page) => (page.isBlank ? { ...page, isLeftOut } : page)));
            }}
          >
            Leave out the {counted(blank, "blank page")}
          </Tick>
        )}
      </div>
      <LaidPages
        blob={blob}
        pages={pages}
        laid={laidOut(pages)}
        nameOf={(code) => nameOfCode(state, code)}
        onChange={keep}
      />
      <div className="fixed inset-x-0 bottom-0 z-10 flex items-center justify-end gap-5 border-t border-rule bg-paper px-10 py-3">
        {trouble && (
          <p role="alert" className="me-auto text-[14px] text-wax">
            {trouble}
          </p>
        )}
        <button
          type="button"
          className="act act-first figures"
          disabled={isCutting || papers.length === 0}
          aria-busy={isCutting}
          onClick={cut}
        >
          {isCutting ? "Cutting…" : `Cut into ${counted(papers.length, "paper")}`}
        </button>
      </div>
    </main>
  );
}
