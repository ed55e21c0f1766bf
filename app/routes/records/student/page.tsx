import { useMemo, useState } from "react";
import { termsOf } from "#core/model";
import { provenancesFrom } from "#core/changes";
import type { Outlook } from "#core/totals";
import { explainTotal } from "#core/totals";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { AccountTree } from "../../../ui/parts/account-tree";
import { deskAddress, fromAddress } from "../../../ui/address";
import { DraftField } from "../../../ui/fields/draft-field";
import { nameOfState } from "../../../ui/words/name-of";
import { useChange } from "../../../course/use-change";
import { OutlookBar } from "./outlook-bar";
import { studentRows } from "./rows";
import type { Route } from "./+types/page";
import { Choice } from "../../../ui/fields/choice";
import { PageTitle } from "../../../ui/parts/page-title";
import { CategoryWork } from "./category-work";
import { Links } from "./student-links";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const studentId = fromAddress("student", params.studentId);
  const shown = live(session, (state) => ({
    state,
    student: orMissing(state.students[studentId], "student"),
    entries: session.entries,
  }));
  return { shown };
}

const OUTLOOKS: readonly (readonly [Outlook, string])[] = [
  ["now", "now"],
  ["lowest", "at the lowest"],
  ["highest", "at the highest"],
];

export default function StudentPage({ loaderData, params }: Route.ComponentProps) {
  const { state, student, entries } = useLive(loaderData.shown);
  const rows = useMemo(() => studentRows(state, student), [state, student]);
  const provenances = useMemo(() => provenancesFrom(entries, state), [entries, state]);
  const [outlook, setOutlook] = useState<Outlook>("now");
  const account = useMemo(
    () => explainTotal(state, student.id, outlook, provenances),
    [state, student, outlook, provenances],
  );
  const change = useChange();
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16 print:max-w-none print:pt-0">
      <PageTitle about={rows.name}>Student</PageTitle>
      <div className="flex items-baseline justify-between gap-6">
        <h1 className="page-title">{rows.name}</h1>
        <Links slot={params.slot} studentId={student.id} rows={rows} />
      </div>
      <p className="mt-1 text-sm text-soft">{rows.subtitle}</p>
      <OutlookBar rows={rows} />
      <div className="mt-6 grid gap-10 lg:grid-cols-[minmax(0,1fr)_380px] print:block">
        <div>
          {rows.categories.map((category) => (
            <CategoryWork
              key={category.id}
              category={category}
              addressOf={(work) => deskAddress(params.slot, work.assignmentId, student.id)}
            />
          ))}
        </div>
        <div className="space-y-6">
          <Needed rows={rows} />
          <section aria-label="How the total came about">
            <h2 className="flex justify-between border-t-2 border-ink pt-1.5 text-sm font-semibold">
              How the total came about
              <Choice
                label="Which total"
                quiet
                className="font-normal text-soft print:hidden"
                value={outlook}
                onChoose={setOutlook}
                options={OUTLOOKS}
              />
            </h2>
            <div className="mt-1">
              <AccountTree account={account} nameOf={nameOfState(state)} open={termsOf(state).length > 0 ? 3 : 2} />
            </div>
          </section>
          <DraftField
            place={`student-note/${student.id}`}
            label="Note about this student, for instructors only"
            className="print:hidden"
            rows={3}
            value={student.note}
            onKeep={(note) => change({ type: "editStudent", studentId: student.id, fields: { note } })}
          />
        </div>
      </div>
    </main>
  );
}

type Rows = ReturnType<typeof studentRows>;

/** What is still needed for each letter, and what bonus work was done. */
function Needed({ rows }: { readonly rows: Rows }) {
  return (
    <>
      <section aria-label="Still needed">
        <h2 className="border-t-2 border-ink pt-1.5 text-sm font-semibold">Still needed, on average, for</h2>
        <table className="mt-1 w-full text-[14px]">
          <tbody>
            {rows.needed.map(({ goal, words, reached }) => (
              <tr key={goal} className="border-b border-rule">
                <th scope="row" className="py-1 text-left font-normal">
                  {goal}
                </th>
                <td className={`figures text-right ${reached ? "text-green" : "text-soft"}`}>{words}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {rows.bonus.length > 0 && (
        <section aria-label="Bonus work">
          <h2 className="border-t-2 border-ink pt-1.5 text-sm font-semibold">Bonus work</h2>
          <ul className="mt-1 text-[14px]">
            {rows.bonus.map(({ name, words }) => (
              <li key={name} className="flex justify-between border-b border-rule py-1">
                {name} <span className="text-soft">{words}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
