import { useState } from "react";
import { handInOf, resultOf, rosterName, type Zone, type ZoneTarget } from "#core/model";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { useChange } from "../../../course/use-change";
import { fromAddress } from "../../../ui/address";
import { criterionColour } from "../../../ui/colours";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useKeys } from "../../../ui/keys/use-keys";
import type { ZoneBox } from "../../../ui/work/zones/zone-layer";
import { PageTitle } from "../../../ui/parts/page-title";
import { askedOf, drawnZones, placeOfKey } from "./rows";
import type { Route } from "./+types/page";
import { ZonedPages } from "./zoned-pages";
import { Answered } from "./answered";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const studentId = fromAddress("student", params.studentId);
  const shown = live(session, (state) => {
    const assignment = orMissing(state.assignments[assignmentId], "assignment");
    const student = orMissing(state.students[studentId], "student");
    return {
      assignment,
      student,
      name: rosterName(state, student),
      asked: askedOf(state, assignment),
      own: resultOf(state, assignmentId, studentId).zones,
      file: handInOf(state, assignmentId, studentId)?.attempts.at(-1)?.files.at(-1) ?? null,
    };
  });
  const { file } = shown.read().value;
  return { shown, blob: file && (await repository.readFile(params.slot, file.id)) };
}

/** Says on one paper where each criterion is answered, for all papers or for this one alone. */
export default function ZonesPage({ loaderData, params }: Route.ComponentProps) {
  const { assignment, student, name, asked, own, file } = useLive(loaderData.shown);
  const { blob } = loaderData;
  const [chosen, setChosen] = useState<ZoneTarget | null>(asked[0]?.id ?? null);
  const [alone, setAlone] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = useChange();
  const zones = alone ? own : assignment.zones;
  const set = async (of: ZoneTarget, next: readonly Omit<Zone, "of">[]) => {
    const outcome = await change({
      type: "setZones",
      assignmentId: assignment.id,
      of,
      studentId: alone ? student.id : null,
      zones: next.map(({ page, x, y, width, height }) => ({ page, x, y, width, height })),
    });
    setTrouble(troubleOf(outcome));
  };
  const zonesOf = (of: ZoneTarget) => zones.filter((zone) => zone.of === of);
  const put = (page: number, box: ZoneBox) => {
    if (chosen) void set(chosen, [...zonesOf(chosen), { page, ...box }]);
  };
  const renew = (key: string, box: ZoneBox | null) => {
    const { of, place } = placeOfKey(key);
    const next = zonesOf(of).flatMap((zone, index) => (index !== place ? [zone] : box ? [{ ...zone, ...box }] : []));
    void set(of, next);
  };
  useKeys("zones", {
    criterion: (digit) => {
      const next = asked[digit - 1];
      if (!next) return false;
      setChosen(next.id);
      return true;
    },
    ...LEFT_TO_THE_ZONE,
  });
  return (
    <main className="grid h-[calc(100vh-46px)] grid-cols-[300px_minmax(0,1fr)]">
      <PageTitle about={assignment.name}>Zones</PageTitle>
      <Answered
        slot={params.slot}
        {...{ assignment, student, name, asked, zones, chosen, alone, trouble }}
        onChoose={setChosen}
        onAlone={setAlone}
        onAdd={(page) => {
          put(page, { x: 0.05, y: 0.05, width: 0.9, height: 0.2 });
        }}
        onClear={(of) => void set(of, [])}
      />
      <div
        role="region"
        aria-label="The paper"
        // A region that scrolls must be reachable by keyboard.
        // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        className="overflow-auto bg-table py-5"
      >
        {file && blob ? (
          <ZonedPages
            {...{ file, blob, put, renew }}
            zonesOn={(page) => drawnZones({ assignment, own, asked, alone, page, colourOf: criterionColour })}
          />
        ) : (
          <p className="mt-16 text-center text-soft">
            {name} has handed in nothing that has pages. Choose another paper of the pile.
          </p>
        )}
      </div>
    </main>
  );
}

const left = () => false;
/** Keys that the zone in focus hears by itself. */
const LEFT_TO_THE_ZONE = {
  ...{ left, right: left, up: left, down: left },
  ...{ narrower: left, wider: left, lower: left, higher: left, remove: left },
};
