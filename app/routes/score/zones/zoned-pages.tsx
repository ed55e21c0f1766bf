import type { WorkFile } from "#core/model";
import { ZoneLayer, type ZoneBox } from "../../../ui/work/zones/zone-layer";
import { WorkPages } from "../../../ui/work/pages/work-pages";
import { PAGE_WIDTH } from "../../../ui/work/measures";
import type { drawnZones } from "./rows";

/** The pages with the zones on them, to be drawn, moved and taken away. */
export function ZonedPages({ file, blob, put, renew, zonesOn }: ZonedPagesProps) {
  return (
    <div className="mx-auto space-y-3" style={{ width: PAGE_WIDTH }}>
      <WorkPages
        file={file}
        blob={blob}
        width={PAGE_WIDTH}
        turn={0}
        onPage={nowhere}
        onDocument={nowhere}
        overlay={(page) => (
          <ZoneLayer
            page={page}
            zones={zonesOn(page)}
            onDraw={(box) => {
              put(page, box);
            }}
            onChange={renew}
            onRemove={(key) => {
              renew(key, null);
            }}
          />
        )}
      />
    </div>
  );
}

const nowhere = () => undefined;

interface ZonedPagesProps {
  readonly file: WorkFile;
  readonly blob: Blob;
  readonly put: (page: number, box: ZoneBox) => void;
  readonly renew: (key: string, box: ZoneBox | null) => void;
  readonly zonesOn: (page: number) => ReturnType<typeof drawnZones>;
}
