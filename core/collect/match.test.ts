import { describe, expect, it } from "vitest";
import type { AssignmentId, StudentId } from "#core/kernel";
import { STUDENT_DEFAULTS, type Student } from "#core/model";
import { matchPieces } from "./match";
import type { Match, MatchingGround } from "./match-types";
import type { PieceId, PieceTraits } from "./piece";

const student = (slug: string, givenName: string, familyName: string, number = ""): Student => ({
  ...STUDENT_DEFAULTS,
  id: `student:${slug}` as StudentId,
  number,
  givenName,
  familyName,
  sectionId: null,
  email: `${slug}.${familyName.length.toString()}@larkmere.example`,
});

const MEMO = "assignment:memo" as AssignmentId;

const CLASS = [
  student("ilse", "Ilse", "Tarnowe", "L26118"),
  student("bram", "Bram", "Oduya", "L26051"),
  student("greta", "Greta", "Lindqvar", "L26100"),
  student("anna", "Anna", "Müller-Schött", "L26200"),
  student("dov", "Dov", "Amsel", "L26083"),
  student("dora", "Dora", "Amsel", "L26084"),
];

const piece = (path: string, more: Partial<PieceTraits> = {}): PieceTraits => ({
  id: `piece:${path}` as PieceId,
  path,
  letter: null,
  sum: path,
  beginning: "",
  author: "",
  senderAddress: "",
  senderName: "",
  said: null,
  ...more,
});

const ground = (more: Partial<MatchingGround> = {}): MatchingGround => ({
  students: CLASS,
  groupOf: () => null,
  decided: new Map(),
  assignmentId: MEMO,
  title: "Flood-frequency memo",
  ...more,
});

/** `sure ilse: number` and the like, one line a piece. */
const told = ({ verdict, studentId, evidence, doubts }: Match): string =>
  [
    `${verdict} ${studentId?.slice("student:".length) ?? "nobody"}`,
    evidence.map(({ kind, place }) => `${kind} ${place}`).join(", "),
    doubts.map(({ kind }) => kind).join(", "),
  ]
    .filter(Boolean)
    .join(" | ");
const match = (pieces: readonly PieceTraits[], more: Partial<MatchingGround> = {}) =>
  matchPieces(pieces, ground(more)).map(told);

describe("a paper with a code", () => {
  const said = (slug: string, assignmentId = MEMO) =>
    ({ kind: "student", assignmentId, studentId: `student:${slug}` as StudentId }) as const;

  it("is its student's, whatever the file is called, unless another's number stands on it", () => {
    expect(match([piece("scan 3-6.pdf", { said: said("dov") })])).toEqual(["sure dov | code paper"]);
    expect(match([piece("Amsel.pdf", { said: said("dora") })])).toEqual(["sure dora | code paper, familyName name"]);
    const against = match([piece("scan.pdf", { said: said("dov"), beginning: "L26118" })]);
    expect(against).toEqual(["open dov | code paper | alsoFits"]);
  });

  it("is for a person where two papers bear one code, or the code leads elsewhere", () => {
    const twice = match([piece("scan 1-3.pdf", { said: said("dov") }), piece("scan 9-12.pdf", { said: said("dov") })]);
    expect(twice).toEqual(Array(2).fill("open dov | code paper | wantedToo"));
    const others = [
      said("dov", "assignment:other" as AssignmentId),
      { kind: "otherCourse" },
      { kind: "gone" },
      { kind: "guest", assignmentId: MEMO },
    ] as const;
    for (const one of others) expect(match([piece("scan.pdf", { said: one })])[0]).toMatch(/^open .*codeElsewhere$/);
    // A blank sheet in a folder that names somebody is a guess, no more.
    expect(match([piece("Ilse Tarnowe/scan.pdf", { said: { kind: "guest", assignmentId: MEMO } })])).toEqual([
      "open ilse | wholeName folder | codeElsewhere",
    ]);
  });

  it("takes nobody from the pieces that name them", () => {
    const found = match([piece("a.pdf", { said: { kind: "gone" } }), piece("Lindqvar.pdf")]);
    expect(found).toEqual(["open nobody | codeElsewhere", "likely greta | familyName name"]);
  });
});

describe("one piece by itself", () => {
  it.each([
    ["L26118_memo.pdf", "sure ilse | number name"],
    ["memo l26118 (1).pdf", "sure ilse | number name"],
    ["126118.pdf", "open nobody | namesNobody"],
    ["L261180.pdf", "open nobody | namesNobody"],
    ["Tarnowe, Ilse.docx", "sure ilse | wholeName name"],
    ["ilsetarnowe.pdf", "sure ilse | wholeName name"],
    ["Heron/Tarnowe, Ilse/memo.pdf", "sure ilse | wholeName folder"],
    ["anna_mueller_schoett.pdf", "sure anna | wholeName name"],
    ["Muller-Schott Anna.pdf", "sure anna | wholeName name"],
    ["oduya memo.pdf", "likely bram | familyName name"],
    ["b.oduya.pdf", "likely bram | initials name"],
    ["memo bram.5.pdf", "likely bram | mailName name, givenName name"],
    ["boduya.pdf", "likely bram | initials name"],
    ["abgabe_lindqvr.md", "likely greta | familyLikeness name"],
    ["lindqvra greta.md", "likely greta | likeness name"],
    ["ilse.md", "likely ilse | givenName name"],
    ["amsel.pdf", "open dora | familyName name | alsoFits"],
    ["d amsel.pdf", "open dora | initials name | alsoFits"],
    ["Dov Amsel.pdf", "sure dov | wholeName name"],
    ["essay_final_v2.pdf", "open nobody | namesNobody"],
    ["Ilse Tarnowe and Bram Oduya.pdf", "open bram | wholeName name | alsoFits"],
    ["L26118 Oduya, Bram.pdf", "open ilse | number name | alsoFits"],
  ])("%s is %s", (path, expected) => {
    expect(match([piece(path)])).toEqual([expected]);
  });

  it.each<[string, Partial<PieceTraits>, string]>([
    [
      "a line that holds the name alone",
      { beginning: "Flood-frequency memo\nby Ilse Tarnowe\nThe gauge" },
      "sure ilse | wholeName byline",
    ],
    ["a number on the page", { beginning: "Memo of L26118 on the river" }, "sure ilse | number page"],
    [
      "a name in running text",
      { beginning: "With Ilse Tarnowe we measured the river in the rain." },
      "likely ilse | wholeName page",
    ],
    ["the author of a document", { author: "Ilse Tarnowe" }, "likely ilse | wholeName author"],
    ["the sender's address", { senderAddress: "Ilse.7@Larkmere.example" }, "sure ilse | address sender"],
    [
      "the sender's name from elsewhere",
      { senderAddress: "it@home.example", senderName: "Ilse Tarnowe" },
      "likely ilse | wholeName sender",
    ],
  ])("%s", (_, more, expected) => {
    expect(match([piece("memo.pdf", more)])).toEqual([expected]);
  });

  it("is decided by a person where file and page name two, and likely where only the author is another", () => {
    const page = { beginning: "Bram Oduya\nThe gauge stood high." };
    expect(match([piece("Ilse Tarnowe.pdf", page)])).toEqual(["open ilse | wholeName name | alsoFits"]);
    expect(match([piece("Ilse Tarnowe.pdf", { author: "Bram Oduya" })])).toEqual([
      "likely ilse | wholeName name | alsoFits",
    ]);
  });

  it("is not sure by a name that another bears but for one letter; a number is", () => {
    const students = [...CLASS, student("dow", "Dow", "Amsel", "L26900")];
    expect(match([piece("Dov Amsel.pdf")], { students })).toEqual(["likely dov | wholeName name | almostNamed"]);
    expect(match([piece("L26083 Dov Amsel.pdf")], { students })).toEqual(["sure dov | number name, wholeName name"]);
  });

  it("of two who share a name is told apart by the number alone", () => {
    const students = [student("one", "Mei", "Barrow", "L1"), student("two", "Mei", "Barrow", "L2")];
    expect(match([piece("Mei Barrow.pdf"), piece("L2 Mei Barrow.pdf")], { students })).toEqual([
      "open one | wholeName name | alsoFits, almostNamed",
      "sure two | number name, wholeName name",
    ]);
  });

  it("takes a fuller name before one that is part of it", () => {
    const students = [student("maria", "Maria", "Silva"), student("jose", "Maria José", "Silva")];
    expect(match([piece("maria jose silva.pdf")], { students })[0]).toMatch(/^likely jose/);
    expect(match([piece("maria silva.pdf")], { students })[0]).toMatch(/^likely maria/);
  });

  it("hears no name in the words of the assignment's title", () => {
    const students = [student("field", "Faruq", "Field"), student("other", "Faruq", "Rahel")];
    expect(match([piece("faruq field notebook.pdf")], { students, title: "Field notebook" })[0]).toMatch(
      /^open .*alsoFits/,
    );
  });
});

describe("all pieces together", () => {
  it("a student whom two pieces want is for a person to decide", () => {
    expect(match([piece("L26118 v1.pdf"), piece("L26118 v2.pdf")])).toEqual([
      "open ilse | number name | wantedToo",
      "open ilse | number name | wantedToo",
    ]);
    expect(match([piece("L26051.pdf"), piece("memo oduya.docx")])).toEqual([
      "sure bram | number name",
      "open bram | familyName name | wantedToo",
    ]);
  });

  it("a piece that a person put to a student takes nothing from one that is surely theirs", () => {
    const decided = new Map([["piece:x.pdf" as PieceId, "student:ilse" as StudentId]]);
    expect(match([piece("x.pdf"), piece("L26118.pdf")], { decided })).toEqual(["sure ilse | number name"]);
    expect(match([piece("x.pdf"), piece("tarnowe.pdf")], { decided })).toEqual([
      "open ilse | familyName name | wantedToo",
    ]);
  });

  it("the same file again asks nothing", () => {
    expect(match([piece("L26118.pdf", { sum: "same" }), piece("L26118 (1).pdf", { sum: "same" })])).toEqual([
      "sure ilse | number name",
      "sure ilse | number name",
    ]);
  });

  it("a name that fits two goes to the one who is left", () => {
    expect(match([piece("Dov Amsel.pdf"), piece("amsel.pdf")])).toEqual([
      "sure dov | wholeName name",
      "likely dora | familyName name",
    ]);
    const decided = new Map([["piece:x.pdf" as PieceId, "student:dov" as StudentId]]);
    expect(match([piece("x.pdf"), piece("amsel.pdf")], { decided })).toEqual(["likely dora | familyName name"]);
  });

  it("files of one letter, and of a folder that names a student, are one hand-in", () => {
    const mail = { letter: "1", senderAddress: "ilse.7@larkmere.example" };
    expect(match([piece("a.pdf", mail), piece("b.xlsx", mail)])).toEqual([
      "sure ilse | address sender",
      "sure ilse | address sender",
    ]);
    expect(match([piece("Bram Oduya/memo.pdf"), piece("Bram Oduya/data.csv")])).toEqual([
      "sure bram | wholeName folder",
      "sure bram | wholeName folder",
    ]);
  });

  it("in work of groups, a mate's name speaks against nobody", () => {
    const groupOf = (id: StudentId) => (id === "student:ilse" || id === "student:bram" ? "pair" : null);
    expect(match([piece("Ilse Tarnowe, Bram Oduya.pdf")], { groupOf })[0]).toMatch(/^sure (ilse|bram)/);
  });

  it("a word that stands in many names of files says nothing by itself", () => {
    const students = [...CLASS, student("pell", "Lorcan", "Pell", "L26141")];
    const pieces = ["a", "b", "c", "d", "e"].map((letter) => piece(`pell bridge ${letter}.pdf`));
    expect(new Set(match(pieces, { students }))).toEqual(new Set(["open nobody | namesNobody"]));
  });

  it("with nobody on the roster, and with nothing in the tray, answers all the same", () => {
    expect(match([piece("a.pdf")], { students: [] })).toEqual(["open nobody | namesNobody"]);
    expect(match([])).toEqual([]);
  });
});
