import Papa from "papaparse";
import type { QuestionId, StudentId } from "#core/kernel";
import { plainText, type Question, type Student } from "#core/model";
import { studentFinder } from "./posts";

/** Why a line or a column of a list of answers cannot be taken; `line` as in the file, its head being line 1. */
export type AnswerIssue =
  | { readonly code: "no_columns" }
  | { readonly code: "no_question"; readonly column: string }
  | { readonly line: number; readonly code: "unknown_student"; readonly text: string };

/** Answers as read. */
export interface ReadAnswers {
  readonly answers: readonly {
    readonly studentId: StudentId;
    readonly questionId: QuestionId;
    readonly text: string;
  }[];
  readonly students: number;
  readonly issues: readonly AnswerIssue[];
}

const STUDENT = /^(student( (number|id))?|number|name)$/;
/** Columns that may stand there and hold no answer. */
const BESIDE = /^(section|given name|family name|time|date|comment|)$/;

/**
 * Reads answers from CSV with a head: the student's number or name, then a column for each question, named by its number
 * (`1`, `Q1`) or its words.
 */
export function readAnswers(text: string, students: readonly Student[], questions: readonly Question[]): ReadAnswers {
  const clean = text.replace(/^\uFEFF/, "");
  const firstLine = clean.split(/\r?\n/)[0] ?? "";
  const delimiter = ["\t", ";", ","].find((mark) => firstLine.includes(mark)) ?? ",";
  const rows = Papa.parse<string[]>(clean, { delimiter, skipEmptyLines: "greedy" }).data;
  const head = (rows[0] ?? []).map((name) => name.replace(/\r$/, "").trim());
  const studentColumn = head.findIndex((name) => STUDENT.test(name.toLowerCase()));
  const columns = head.map((name) => questionOf(name, questions));
  if (studentColumn < 0 || columns.every((column) => column === null)) {
    return { answers: [], students: 0, issues: [{ code: "no_columns" }] };
  }
  const issues: AnswerIssue[] = head.flatMap((name, index) =>
    index === studentColumn || columns[index] || BESIDE.test(name.toLowerCase())
      ? []
      : [{ code: "no_question" as const, column: name }],
  );
  const answers: { studentId: StudentId; questionId: QuestionId; text: string }[] = [];
  const seen = new Set<StudentId>();
  const studentNamed = studentFinder(students);
  rows.slice(1).forEach((row, index) => {
    const name = (row[studentColumn] ?? "").trim();
    const studentId = studentNamed(name);
    if (!studentId) {
      issues.push({ line: index + 2, code: "unknown_student", text: name });
      return;
    }
    seen.add(studentId);
    columns.forEach((questionId, column) => {
      const answer = (row[column] ?? "").replace(/\r$/, "").trim();
      if (questionId) answers.push({ studentId, questionId, text: answer.slice(0, 20_000) });
    });
  });
  return { answers, students: seen.size, issues };
}

function questionOf(column: string, questions: readonly Question[]): QuestionId | null {
  const number = /^(?:q|question)?\s*(\d{1,3})$/i.exec(column)?.[1];
  if (number) return questions[Number(number) - 1]?.id ?? null;
  const wanted = plainText(column);
  return wanted === "" ? null : (questions.find(({ prompt }) => plainText(prompt).startsWith(wanted))?.id ?? null);
}
