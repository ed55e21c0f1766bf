import Papa from "papaparse";
import { momentOf, type Id, type PostId, type StudentId } from "#core/kernel";
import { plainText, type Post, type Student } from "#core/model";

/** Why a line of a list of posts cannot be taken; `line` as in the file, its head being line 1. */
export type PostIssue =
  | { readonly code: "no_columns" }
  | { readonly line: number; readonly code: "unknown_student"; readonly text: string }
  | { readonly line: number; readonly code: "no_text" }
  | { readonly line: number; readonly code: "unknown_post"; readonly text: string };

/** Posts as read; their assignment is known to who reads them. */
export interface ReadPosts {
  readonly posts: readonly Omit<Post, "assignmentId">[];
  readonly issues: readonly PostIssue[];
}

const COLUMNS = {
  student: /^(student( (number|id))?|number|author|name)$/,
  id: /^(post( id)?|id)$/,
  replyTo: /^(reply to|in reply to|parent( id)?|answer to)$/,
  at: /^(time|date|posted|at|when)$/,
  text: /^(text|post text|message|body|words|content)$/,
} as const;
type Column = keyof typeof COLUMNS;

/**
 * Reads the posts of a discussion from CSV with a head: student (number or name), text, and if they are there the
 * post's id, the id of the post it answers, and the time, by the clock of `timeZone` where it does not say its own.
 */
export function readPosts(text: string, students: readonly Student[], timeZone: string): ReadPosts {
  const clean = text.replace(/^\uFEFF/, "");
  const firstLine = clean.split(/\r?\n/)[0] ?? "";
  const delimiter = ["\t", ";", ","].find((mark) => firstLine.includes(mark)) ?? ",";
  const rows = Papa.parse<string[]>(clean, { delimiter, skipEmptyLines: "greedy" }).data;
  const head = (rows[0] ?? []).map((name) => name.trim().toLowerCase());
  const place = (column: Column) => head.findIndex((name) => COLUMNS[column].test(name));
  const places = {
    student: place("student"),
    text: place("text"),
    id: place("id"),
    replyTo: place("replyTo"),
    at: place("at"),
  };
  if (places.student < 0 || places.text < 0) return { posts: [], issues: [{ code: "no_columns" }] };
  const issues: PostIssue[] = [];
  const posts: Omit<Post, "assignmentId">[] = [];
  const named = new Map<string, PostId>();
  const lines = rows.slice(1).map((row, index) => {
    const cell = (column: Column) => (row[places[column]] ?? "").replace(/\r$/, "").trim();
    const id = `post:${
      cell("id")
        .replace(/[^\w-]/g, "-")
        .slice(0, 60) || `line-${String(index + 2)}`
    }` as Id<"post">;
    if (cell("id") !== "") named.set(cell("id"), id);
    return { cell, id, line: index + 2 };
  });
  const studentNamed = studentFinder(students);
  for (const { cell, id, line } of lines) {
    const studentId = studentNamed(cell("student"));
    const replyTo = cell("replyTo");
    if (!studentId) issues.push({ line, code: "unknown_student", text: cell("student") });
    else if (cell("text") === "") issues.push({ line, code: "no_text" });
    else if (replyTo !== "" && !named.has(replyTo)) issues.push({ line, code: "unknown_post", text: replyTo });
    else {
      const answered = replyTo === "" ? null : (named.get(replyTo) ?? null);
      posts.push({
        id,
        studentId,
        replyTo: answered,
        at: momentOf(cell("at"), timeZone),
        text: cell("text").slice(0, 20_000),
      });
    }
  }
  return { posts, issues };
}

/** Finds the student of a number or a whole name, never of a part of one; null where none or several fit. */
export function studentFinder(students: readonly Student[]): (text: string) => StudentId | null {
  const byNumber = new Map<string, StudentId>();
  const byName = new Map<string, StudentId | null>();
  for (const { id, number, givenName, familyName } of students) {
    const key = plainText(number);
    if (!byNumber.has(key)) byNumber.set(key, id);
    const names = new Set(
      [`${givenName} ${familyName}`, `${familyName}, ${givenName}`].map((name) => plainText(name.trim())),
    );
    for (const name of names) byName.set(name, byName.has(name) ? null : id);
  }
  return (text) => {
    const typed = plainText(text.trim()).replace(/\s+/g, " ");
    return byNumber.get(typed) ?? byName.get(typed) ?? null;
  };
}

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (letter) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[letter] ?? letter);

/**
 * A student's own posts as a page of HTML, one article each, without a word of anyone else: what is judged, marked and
 * given back. `headings` says of each post when it was written.
 */
export function postsPage(title: string, posts: readonly Pick<Post, "text">[], headings: readonly string[]): string {
  const articles = posts.map(({ text }, index) => {
    const paragraphs = text.split(/\n{2,}/).map((part) => `<p>${escaped(part).replaceAll("\n", "<br>")}</p>`);
    return `<article><h2>${escaped(headings[index] ?? "")}</h2>${paragraphs.join("")}</article>`;
  });
  return `<!doctype html>\n<html><head><meta charset="utf-8"><title>${escaped(title)}</title></head><body>\n${articles.join("\n")}\n</body></html>\n`;
}
