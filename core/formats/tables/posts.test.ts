import { describe, expect, it } from "vitest";
import { decimal, type Id } from "#core/kernel";
import { studentsOf, type Question } from "#core/model";
import { smallCourse } from "#core/testing";
import { readAnswers } from "./answers";
import { postsPage, readPosts, studentFinder } from "./posts";

const students = studentsOf(smallCourse());
const ZONE = "Europe/Berlin";

describe("posts from a list", () => {
  it("are read with who wrote them, what they answer, and when", () => {
    const text =
      'Student,Post ID,Reply to,Time,Text\nN1,a,,2026-10-01T00:00Z,"Hello, all"\nBen Bolt,b,a,,"Two\nlines"\n';
    const { posts, issues } = readPosts(text, students, ZONE);
    expect(issues).toEqual([]);
    expect(posts).toEqual([
      { id: "post:a", studentId: "student:ada", replyTo: null, at: "2026-10-01T00:00:00.000Z", text: "Hello, all" },
      { id: "post:b", studentId: "student:ben", replyTo: "post:a", at: null, text: "Two\nlines" },
    ]);
  });

  it("say of each line that cannot be taken what is wrong with it", () => {
    const text = "student\tid\treply to\ttext\nN9\t1\t\thi\nN1\t2\t\t\nN2\t3\t99\tyes\nN3\t4\t\tno\n";
    const { posts, issues } = readPosts(text, students, ZONE);
    expect(posts.map(({ text: words }) => words)).toEqual(["no"]);
    expect(issues).toEqual([
      { line: 2, code: "unknown_student", text: "N9" },
      { line: 3, code: "no_text" },
      { line: 4, code: "unknown_post", text: "99" },
    ]);
    expect(readPosts("a,b\n1,2", students, ZONE).issues).toEqual([{ code: "no_columns" }]);
  });

  it("find a student by number or whole name, never by a part of one", () => {
    expect(["n2", "ada ames", "Ames, Ada", "ada", "Ames"].map(studentFinder(students))).toEqual([
      "student:ben",
      "student:ada",
      "student:ada",
      null,
      null,
    ]);
  });

  it("become a page of a student's own words, harmless whatever they wrote", () => {
    const page = postsPage("Talk", [{ text: "One <script>\n\nTwo & three\nfour" }], ["1 May"]);
    expect(page).toContain("<article><h2>1 May</h2><p>One &lt;script&gt;</p><p>Two &amp; three<br>four</p></article>");
    expect(page).not.toContain("<script>");
  });
});

describe("answers from a list", () => {
  const questions: Question[] = ["How much?", "Why is it so?"].map((prompt, order) => ({
    id: `question:${String(order + 1)}` as Id<"question">,
    assignmentId: "assignment:quiz" as Id<"assignment">,
    order,
    prompt,
    points: decimal("2"),
    key: { kind: "written" },
  }));

  it("are read by number or by the words of the question", () => {
    const {
      answers,
      students: count,
      issues,
    } = readAnswers("Student;Q1;why is\nN1;287;Because\nCleo Crane;;\n", students, questions);
    expect(answers).toEqual([
      { studentId: "student:ada", questionId: "question:1", text: "287" },
      { studentId: "student:ada", questionId: "question:2", text: "Because" },
      { studentId: "student:cleo", questionId: "question:1", text: "" },
      { studentId: "student:cleo", questionId: "question:2", text: "" },
    ]);
    expect([count, issues]).toEqual([2, []]);
  });

  it("leave out columns and lines that nobody and nothing fits, and say so", () => {
    const { answers, issues } = readAnswers("number,section,1,7\nN1,A,x,y\nN9,A,x,y\n", students, questions);
    expect(answers).toHaveLength(1);
    expect(issues).toEqual([
      { code: "no_question", column: "7" },
      { line: 3, code: "unknown_student", text: "N9" },
    ]);
    expect(readAnswers("a,b\n1,2", students, questions).issues).toEqual([{ code: "no_columns" }]);
  });
});
