import { useCallback, useState } from "react";
import { workKindOf, type WorkFile } from "#core/model";
import { useLatest } from "../../hooks/use-latest";
import { turnOn, type Turn } from "../marks/turn";

const ZOOMS = [0.75, 1, 1.25, 1.5, 2] as const;

/** How a work is looked at: how large, how turned, and whether words are being looked for in it. */
export function useLooking(file: WorkFile) {
  const [zoom, setZoom] = useState(1);
  const [turn, setTurn] = useState<Turn>(0);
  const [finding, setFinding] = useState(false);
  const kind = workKindOf(file);
  const turns = kind === "pdf" || kind === "image";
  const turnPage = useLatest(() => {
    if (turns) setTurn(turnOn);
  });
  const zoomBy = useCallback((direction: 1 | -1) => {
    setZoom((now) => {
      const place = ZOOMS.indexOf(now as (typeof ZOOMS)[number]) + direction;
      return ZOOMS[Math.min(ZOOMS.length - 1, Math.max(0, place))] ?? 1;
    });
  }, []);
  const openFind = useCallback(() => {
    setFinding(true);
  }, []);
  const closeFind = useCallback(() => {
    setFinding(false);
  }, []);
  return { zoom, turn, turns, turnPage, zoomBy, finding, openFind, closeFind };
}
