import { describe, expect, it } from "vitest";
import { decimal, pointsText, required, type Id } from "#core/kernel";
import { answerOf, handInOf, questionsOf, type CourseState } from "#core/model";
import { facetNow } from "#core/release";
import { answersSum, explainResult, figuresOf } from "#core/totals";
import { assignmentId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { keyEffects } from "../../effects/key-effects";
import { runCommand, type Command } from "../../engine/registry";

const quiz = assignmentId("quiz");
const [ada, ben] = [studentId("ada"), studentId("ben")];
const id = (slug: string) => `question:${slug}` as Id<"question">;

type Save = Extract<Command, { type: "saveQuestions" }>;
const save = (value = "42"): Save => ({
  type: "saveQuestions",
  assignmentId: quiz,
  questions: [
    {
      id: id("much"),
      prompt: "How much?",
      points: decimal("8"),
      key: { kind: "numeric", value, tolerance: "1", toleranceIn: "units" },
    },
    { id: id("why"), prompt: "Why?", points: decimal("12"), key: { kind: "written" } },
  ],
});
const answers: Command = {
  type: "takeInAnswers",
  assignmentId: quiz,
  at: null,
  answers: [
    { studentId: ada, questionId: id("much"), text: "42" },
    { studentId: ada, questionId: id("why"), text: "Because." },
    { studentId: ben, questionId: id("much"), text: "44" },
    { studentId: ben, questionId: id("why"), text: "" },
  ],
};
const judge = (text: string, who = ada): Command => ({
  type: "judgeAnswer",
  assignmentId: quiz,
  studentId: who,
  questionId: id("why"),
  text,
});
const score = (state: CourseState, who = ada) => {
  const { counted } = figuresOf(state).figure(quiz, who);
  return counted && pointsText(counted);
};
const asked = run(smallCourse(), save(), answers);
const refused = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("answers on paper", () => {
  const paper = (who: typeof ada): Command => ({
    type: "takeIn",
    handIns: [
      {
        assignmentId: quiz,
        studentId: who,
        at: null,
        joins: false,
        files: [{ id: fileId(`scan-${who}`), name: "scan.pdf", mediaType: "application/pdf", size: 9 }],
      },
    ],
  });
  const zoned = run(run(smallCourse(), save(), paper(ada), paper(ben)), {
    type: "setZones",
    assignmentId: quiz,
    of: id("much"),
    studentId: null,
    zones: [{ page: 1, x: 0, y: 0.1, width: 1, height: 0.2 }],
  });
  const openOf = (state: CourseState, who = ada) =>
    answersSum(state, required(state.assignments[quiz], "quiz"), who)?.open;

  it("wait to be read where one said that they are answered there; without a zone a blank is a blank", () => {
    expect(openOf(run(smallCourse(), save(), paper(ada)))).toBe(0);
    expect(openOf(zoned)).toBe(1);
    const judged = run(zoned, {
      type: "judgeAnswer",
      assignmentId: quiz,
      studentId: ada,
      questionId: id("much"),
      text: "6",
    });
    expect([openOf(judged), openOf(judged, ben), score(judged)]).toEqual([0, 1, "6"]);
    const typed = run(zoned, {
      ...answers,
      answers: [{ studentId: ada, questionId: id("much"), text: "42" }],
    });
    expect([openOf(typed), score(typed)]).toEqual([0, "8"]);
  });
});

describe("answers", () => {
  it("score themselves by their key and wait where they must be judged; who answered has handed in", () => {
    expect(handInOf(asked, quiz, ada)?.attempts).toHaveLength(1);
    expect(score(asked)).toBeNull();
    expect(figuresOf(asked).figure(quiz, ada)).toMatchObject({ waiting: true, standing: "handedIn" });
    expect(score(asked, ben)).toBe("0");
  });

  it("make the score once the last one is judged: 8 by the key and 9.5 by hand", () => {
    const judged = run(asked, judge("9.5"));
    expect(score(judged)).toBe("17.5");
    expect(figuresOf(judged).figure(quiz, ada).source).toBe("answers");
    const account = explainResult(judged, judged.assignments[quiz] as never, ada);
    expect(account.rule.name).toBe("answers");
    expect(account.parts.map(({ account: part }) => [part.shown, part.rule])).toMatchObject([
      ["8", { source: "key" }],
      ["9.5", { source: "judged" }],
    ]);
    expect(score(run(judged, judge("-")))).toBeNull();
  });

  it("can be taken in again: earlier ones are replaced, points given by hand stay", () => {
    const again = run(run(asked, judge("9")), {
      ...answers,
      answers: [{ studentId: ada, questionId: id("much"), text: "7" }],
    });
    expect(score(again)).toBe("9");
    expect(handInOf(again, quiz, ada)?.attempts).toHaveLength(1);
  });

  it("refuse points above the question's until they are entered again, and points below 0", () => {
    expect(refused(asked, judge("13"))).toMatchObject({ code: "score_above_maximum", maximum: "12" });
    expect(score(run(asked, { ...judge("13"), confirmed: true } as Command))).toBe("21");
    expect(refused(asked, judge("-1"))).toMatchObject({ code: "points_below_zero" });
  });

  it("are told of by the rubric detail, with what was answered and earned and never the key", () => {
    const judged = run(asked, judge("9.5"), {
      ...judge(""),
      text: undefined,
      comment: { text: "Say more.", seen: "" },
    } as Command);
    const detail = facetNow(judged, judged.assignments[quiz] as never, judged.students[ada] as never, "rubric");
    expect(detail).toEqual({
      rows: [],
      answers: [
        { questionId: id("much"), prompt: "How much?", text: "42", points: "8", maximum: "8", comment: "" },
        { questionId: id("why"), prompt: "Why?", text: "Because.", points: "9.5", maximum: "12", comment: "Say more." },
      ],
    });
  });
});

describe("equal answers", () => {
  it("are judged and written to at once; who has words of their own keeps them", () => {
    const own = run(asked, {
      ...judge(""),
      text: undefined,
      studentId: ben,
      comment: { text: "Ben, see me.", seen: "" },
    } as Command);
    const both = run(
      own,
      { ...judge("7"), alike: [ben] } as Command,
      { ...judge(""), text: undefined, alike: [ben], comment: { text: "Say more.", seen: "" } } as Command,
    );
    const [first, second] = [ada, ben].map((student) => answerOf(both, quiz, student, id("why")));
    expect([first?.points, second?.points]).toEqual(["7", "7"]);
    expect([first?.comment, second?.comment]).toEqual(["Say more.", "Ben, see me."]);
    expect(answerOf(run(both, judge("9")), quiz, ben, id("why")).points).toBe("7");
  });
});

describe("a changed key", () => {
  const effects = (state: CourseState, command: Save) => {
    const found = keyEffects(state, command, WORLD);
    if (!found.ok) throw new Error(found.issue.code);
    return found.value.map(({ student, before, after }) => [
      student.givenName,
      before && pointsText(before),
      after && pointsText(after),
    ]);
  };

  it("shows whose scores it changes before it is kept, and changes exactly those", () => {
    const judged = run(asked, judge("9.5"));
    expect(effects(judged, save("44"))).toEqual([
      ["Ada", "17.5", "9.5"],
      ["Ben", "0", "8"],
    ]);
    const changed = run(judged, save("44"));
    expect([score(changed), score(changed, ben)]).toEqual(["9.5", "8"]);
    expect(effects(judged, save("42.2"))).toEqual([]);
  });

  it("takes the answers of a question that is left out along, and undoing brings them back", () => {
    const command = { ...save(), questions: save().questions.slice(0, 1) };
    const less = run(asked, command);
    expect(questionsOf(less, quiz)).toHaveLength(1);
    expect(answerOf(less, quiz, ada, id("why")).text).toBe("");
    expect(score(less)).toBe("8");
  });

  it("is refused where it cannot judge", () => {
    const [first, second] = save().questions;
    const with_ = (key: unknown, points = "1") =>
      refused(asked, { ...save(), questions: [{ ...first, points, key }, second] } as Save);
    expect(with_({ kind: "numeric", value: "much", tolerance: "", toleranceIn: "units" })).toMatchObject({
      what: "number",
    });
    expect(with_({ kind: "numeric", value: "1", tolerance: "-1", toleranceIn: "units" })).toMatchObject({
      what: "number",
    });
    expect(with_({ kind: "choice", options: ["a", "b"], right: [2], partial: false })).toMatchObject({
      what: "right_option",
    });
    expect(with_({ kind: "written" }, "-1")).toMatchObject({ what: "points" });
  });

  it("of what is not in the course is refused", () => {
    expect(refused(asked, { ...judge("1"), questionId: id("none") } as Command)).toMatchObject({ what: "question" });
    const stranger = {
      ...answers,
      answers: [{ studentId: studentId("zoe"), questionId: id("why"), text: "" }],
    } as Command;
    expect(refused(asked, stranger)).toMatchObject({ code: "unknown_record", what: "student" });
  });
});
