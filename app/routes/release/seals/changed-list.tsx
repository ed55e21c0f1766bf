import { rosterName, type CourseState } from "#core/model";
import type { StudentId } from "#core/kernel";
import type { Difference } from "#core/release";
import { differenceWords } from "./difference-words";

/** What changed since it was released: old against new, to go out one by one or together. */
export function ChangedList({
  state,
  changed,
  onRelease,
}: {
  readonly state: CourseState;
  readonly changed: readonly Difference[];
  readonly onRelease: (students: readonly StudentId[]) => void;
}) {
  const ids = [...new Set(changed.map(({ student }) => student.id))];
  if (ids.length === 0) return null;
  return (
    <section aria-label="Changed since release" className="mt-4">
      <div className="flex items-center justify-between">
        <h3 className="font-semibold">Changed since release</h3>
        {ids.length > 1 && (
          <button
            type="button"
            className="act"
            onClick={() => {
              onRelease(ids);
            }}
          >
            Release {ids.length} corrections
          </button>
        )}
      </div>
      <table className="mt-1 w-full text-[14px]">
        <thead>
          <tr className="border-b border-rule text-left text-[13px] text-soft">
            <th className="py-1 font-normal">Student</th>
            <th className="font-normal">What</th>
            <th className="font-normal">They see</th>
            <th className="font-normal">You have</th>
            <th>
              <span className="sr-only">Action</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {changed.flatMap((difference) =>
            differenceWords(difference).map((pair, index) => (
              <tr
                key={`${difference.student.id}${difference.facet}${pair.what}`}
                className="border-b border-rule align-baseline"
              >
                <td className="py-1 pe-3">{rosterName(state, difference.student)}</td>
                <td className="pe-3">{pair.what}</td>
                <td className="pe-3 text-soft">{pair.old || "nothing"}</td>
                <td className="pe-3 font-semibold">{pair.present || "nothing"}</td>
                <td className="text-right">
                  {index === 0 &&
                    difference === changed.find(({ student }) => student.id === difference.student.id) && (
                      <button
                        type="button"
                        className="link"
                        onClick={() => {
                          onRelease([difference.student.id]);
                        }}
                      >
                        Release<span className="sr-only"> to {rosterName(state, difference.student)}</span>
                      </button>
                    )}
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </section>
  );
}
