import type { StudentId } from "#core/kernel";
import { plainText, type Student } from "#core/model";
import type { Evidence, EvidencePlace } from "./evidence";
import { LikenessIndex } from "./likeness";
import { bestNameIn, nameIn, type Slip } from "./name-in";
import { nameWords, partsOfPath, wordsOf } from "./name-words";
import type { PieceTraits } from "./piece";
import { isAlmost, soughtOf, waysToFind, type Sought } from "./sought";

const SHORTEST_MAIL_NAME = 4;

/** Words before a name that say it is the writer's. */
const INTRODUCES = new Set(["by", "name", "author", "student", "written", "from", "von", "van", "de", "par", "nom"]);
const LONGEST_BYLINE = 6;

/** Words that say nothing of a student: those of the title, and those that stand in many pieces. */
export interface TellingNothing {
  readonly title: ReadonlySet<string>;
  readonly common: ReadonlySet<string>;
}

type Adding = (sought: Sought, evidence: Evidence) => void;

/** A roster made ready for looking its students up in many texts. */
export class SoughtRoster {
  readonly #byId = new Map<StudentId, Sought>();
  readonly #byWord = new Map<string, Sought[]>();
  readonly #byNumber = new Map<string, Sought[]>();
  readonly #byAddress = new Map<string, Sought[]>();
  readonly #byMailName = new Map<string, Sought[]>();
  readonly #near: LikenessIndex;

  constructor(students: readonly Student[]) {
    for (const student of students) {
      const one = soughtOf(student);
      this.#byId.set(student.id, one);
      for (const word of waysToFind(one)) push(this.#byWord, word, one);
      if (one.number) push(this.#byNumber, one.number, one);
      if (student.email.includes("@")) push(this.#byAddress, plainText(student.email), one);
      if (one.mailName.length >= SHORTEST_MAIL_NAME) push(this.#byMailName, one.mailName, one);
    }
    this.#near = new LikenessIndex([...this.#byId.values()].flatMap(({ words }) => [...words]));
  }

  /** Every spelling of every word of a student's name. */
  wordsOf(id: StudentId): ReadonlySet<string> {
    return this.#byId.get(id)?.words ?? new Set();
  }

  /** All that speaks for anyone in one piece, by student. `common` are words that say nothing here by themselves. */
  evidenceOf(piece: PieceTraits, { common, title }: TellingNothing): ReadonlyMap<StudentId, readonly Evidence[]> {
    const { folder, name } = partsOfPath(piece.path);
    const found = new Map<StudentId, Evidence[]>();
    const add: Adding = ({ student }, evidence) => {
      push(found, student.id, evidence);
    };
    this.#inPath(name, "name", { common, title }, add);
    this.#inPath(folder, "folder", { common, title }, add);
    this.#inLines(piece.beginning, title, add);
    // A name that has a line of its own need not be told twice.
    this.#inText(piece.beginning, "page", (sought, evidence) => {
      const isTold = found.get(sought.student.id)?.some(({ place }) => place === "byline") && "words" in evidence;
      if (!isTold) add(sought, evidence);
    });
    this.#inText(piece.author, "author", add);
    this.#inText(piece.senderName, "sender", add);
    for (const one of this.#byAddress.get(plainText(piece.senderAddress)) ?? [])
      add(one, { kind: "address", place: "sender", text: one.student.email });
    return found;
  }

  /** Students whose whole name is this one's, or this one's but for a slip or two. */
  almostNamed(id: StudentId): readonly StudentId[] {
    const one = this.#byId.get(id);
    if (!one) return [];
    const near = [...one.words].flatMap((word) => [word, ...this.#near.near(word).map(({ word: known }) => known)]);
    const candidates = new Set(near.flatMap((word) => this.#byWord.get(word) ?? []));
    return [...candidates].filter((other) => other !== one && isAlmost(other, one)).map(({ student }) => student.id);
  }

  /** Numbers, and names in every form that people call their files by. */
  #inPath(text: string, place: EvidencePlace, { common, title }: TellingNothing, add: Adding): void {
    if (text === "") return;
    this.#numbers(text, place, add);
    const words = wordsOf(text, title);
    const slips = this.#slipsOf(words, (word) => !this.#byWord.has(word) && !common.has(word));
    const candidates = new Set([
      ...[...words].flatMap((word) => this.#byWord.get(word) ?? []),
      ...slips.map(({ sought }) => sought),
    ]);
    const single = new Set(nameWords(text).map(plainText));
    for (const one of candidates) {
      const evidence = bestNameIn(one, { place, words, single, slips, common });
      if (evidence) add(one, evidence);
    }
    for (const run of mailRuns(text)) {
      // A name that stands there whole says as much already.
      for (const one of this.#byMailName.get(run) ?? [])
        if (!nameIn(one, { words, place })) add(one, { kind: "mailName", place, text: run });
    }
  }

  /** Numbers, addresses and whole names; a single word of a running text says nothing. */
  #inText(text: string, place: EvidencePlace, add: Adding): void {
    if (text === "") return;
    this.#numbers(text, place, add);
    for (const address of plainText(text).match(/[^\s<>,;:"()]+@[^\s<>,;:"()]+/g) ?? []) {
      for (const one of this.#byAddress.get(address.replace(/\.+$/, "")) ?? [])
        add(one, { kind: "address", place, text: one.student.email });
    }
    const words = wordsOf(text);
    for (const one of new Set([...words].flatMap((word) => this.#byWord.get(word) ?? []))) {
      const evidence = nameIn(one, { words, place });
      if (evidence) add(one, evidence);
    }
  }

  /** Lines that hold a whole name and nothing else but what introduces it. */
  #inLines(text: string, title: ReadonlySet<string>, add: Adding): void {
    for (const line of text.split("\n")) {
      const said = nameWords(line)
        .map(plainText)
        .filter((word) => !INTRODUCES.has(word) && !title.has(word));
      if (said.length < 2 || said.length > LONGEST_BYLINE) continue;
      const words = wordsOf(said.join(" "));
      for (const one of new Set(said.flatMap((word) => this.#byWord.get(word) ?? []))) {
        const evidence = nameIn(one, { words, place: "byline" });
        if (evidence?.kind === "wholeName" && said.every((word) => one.words.has(word))) add(one, evidence);
      }
    }
  }

  /** Numbers as whole words: never inside a longer one. */
  #numbers(text: string, place: EvidencePlace, add: Adding): void {
    for (const run of numberRuns(plainText(text))) {
      for (const one of this.#byNumber.get(run) ?? []) add(one, { kind: "number", place, text: one.student.number });
    }
  }

  #slipsOf(words: ReadonlySet<string>, isAsked: (word: string) => boolean): readonly Slip[] {
    return [...words]
      .filter(isAsked)
      .flatMap((text) =>
        this.#near
          .near(text)
          .flatMap(({ word, apart }) =>
            (this.#byWord.get(word) ?? []).map((sought) => ({ sought, word, text, apart })),
          ),
      );
  }
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const there = map.get(key);
  if (there) there.push(value);
  else map.set(key, [value]);
}

/** Runs of letters and figures, also with the characters between them that a number may hold. */
const numberRuns = (plain: string): ReadonlySet<string> =>
  new Set(
    [
      ...plain.split(/[^\p{L}\p{N}./-]+/u).map((run) => run.replace(/^[./-]+|[./-]+$/g, "")),
      ...plain.split(/[^\p{L}\p{N}]+/u),
    ].filter(Boolean),
  );

/** What may be the part of an address before the at sign. */
const mailRuns = (text: string): ReadonlySet<string> =>
  new Set(
    plainText(text)
      .split(/[^\p{L}\p{N}.+]+/u)
      .map((run) => run.replace(/^\.+|\.+$/g, ""))
      .filter(Boolean),
  );
