import { describe, expect, it } from "vitest";
import { EMPTY_HISTORY, ENTRY_SCHEMA, type Command } from "#core/changes";
import { required } from "#core/kernel";
import { resultOf } from "#core/model";
import { assignmentId, entriesOf, Journalled, smallCourse, studentId } from "#core/testing";
import { follow, followFrom } from "./journal/journal";
import { NO_OLD_ENTRIES } from "./journal/old-entries";
import { onTopOf } from "./on-top";

const [quiz, ben, ada] = [assignmentId("quiz"), studentId("ben"), studentId("ada")];
const score = (student: typeof ben, text: string): Command => ({
  type: "setScore",
  assignmentId: quiz,
  studentId: student,
  text,
});
const course = smallCourse();
const ledger = followFrom({ old: NO_OLD_ENTRIES, history: EMPTY_HISTORY, told: 0, snapshot: null }, entriesOf(course));
/** A change as a tab makes it that knows nothing but the course. */
const changeOf = (command: Command) =>
  required(new Journalled(course).run(command).entries.at(-1), "change, as it is not written yet");
const written = (command: Command) => follow(ledger, { ...changeOf(command), seq: ledger.seq + 1 });

describe("what is not written yet", () => {
  it("stands on top of what another tab wrote, in its order", () => {
    const mine = [changeOf(score(ben, "15"))];
    const { state, pending, setAside, history } = onTopOf(written(score(ada, "12")), mine, ledger.seq);
    expect(resultOf(state, quiz, ada).score).toBe("12");
    expect(resultOf(state, quiz, ben).score).toBe("15");
    expect([pending, setAside]).toEqual([mine, []]);
    expect(history.undoable.map(({ id }) => id).at(-1)).toBe(mine[0]?.change.id);
  });

  it("is set aside where the same place holds something else by now, and leaves it there", () => {
    const mine = [changeOf(score(ben, "15"))];
    const { state, pending, setAside } = onTopOf(written(score(ben, "12")), mine, ledger.seq);
    expect(resultOf(state, quiz, ben).score).toBe("12");
    expect([pending, setAside]).toEqual([[], mine]);
  });

  it("is done where another tab, which found it left behind, wrote it since, and only since", () => {
    const mine = changeOf(score(ben, "15"));
    const since = follow(ledger, { ...mine, schema: ENTRY_SCHEMA, seq: ledger.seq + 1 });
    expect(onTopOf(since, [mine], ledger.seq)).toMatchObject({ pending: [], setAside: [] });
    expect(onTopOf(since, [mine], since.seq)).toMatchObject({ pending: [], setAside: [mine] });
  });
});
