import { useState } from "react";
import { Link } from "react-router";
import { postsPage, type PostIssue } from "#core/formats";
import type { FileId } from "#core/kernel";
import { courseOf, fullName, postsOf, studentsOf } from "#core/model";
import { counted, momentText } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { PastedList } from "../../../ui/files/pasted-list";
import { readTextDraft, useTyped } from "../../../ui/fields/drafts";
import { issueWords } from "../../../ui/words/words";
import { PageTitle } from "../../../ui/parts/page-title";
import { useChange } from "../../../course/use-change";
import { usePosts } from "./use-posts";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const shown = live(session, (state) => ({
    assignment: orMissing(state.assignments[assignmentId], "assignment"),
    students: studentsOf(state),
    timeZone: courseOf(state).timeZone,
    known: postsOf(state, assignmentId).length,
  }));
  return { repository, shown };
}

const issueText = (issue: PostIssue): string => {
  switch (issue.code) {
    case "no_columns":
      return "The first line must name the columns: student, text, and if you have them post id, reply to, time.";
    case "unknown_student":
      return `Line ${String(issue.line)}: "${issue.text}" is no number and no whole name of the roster.`;
    case "no_text":
      return `Line ${String(issue.line)}: the post is empty.`;
    case "unknown_post":
      return `Line ${String(issue.line)}: it answers "${issue.text}", which is not in this list.`;
  }
};

/** Problems and posts of the preview shown. */
const SHOWN = 8;

/** The posts of a discussion, pasted or from CSV: looked at first, then taken in as everyone's hand-ins. */
export default function PostsPage({ loaderData, params }: Route.ComponentProps) {
  const { repository } = loaderData;
  const { assignment, students, timeZone, known } = useLive(loaderData.shown);
  const change = useChange();
  const { value: text, set: setText, clear, isLeft } = useTyped(`posts/${assignment.id}`, "", readTextDraft);
  const [said, setSaid] = useState<{ good: boolean; words: string } | null>(null);
  const { posts, issues, isReading } = usePosts(text, students, timeZone);
  const authors = new Set(posts.map(({ studentId }) => studentId));
  const takeIn = async () => {
    const handIns = [];
    for (const student of students.filter(({ id }) => authors.has(id))) {
      const own = posts
        .filter(({ studentId }) => studentId === student.id)
        .sort((a, b) => (a.at ?? "").localeCompare(b.at ?? ""));
      const headings = own.map(({ at }) => (at ? momentText(at, timeZone) : "Post"));
      const page = new Blob([postsPage(`${assignment.name}: ${fullName(student)}`, own, headings)], {
        type: "text/html",
      });
      const id = `file:${repository.surroundings.fresh()}` as FileId;
      await repository.keepFile(params.slot, id, page);
      const file = { id, name: `Posts ${student.number}.html`, mediaType: "text/html", size: page.size };
      handIns.push({ studentId: student.id, at: own.at(-1)?.at ?? null, file });
    }
    const outcome = await change({ type: "takeInPosts", assignmentId: assignment.id, posts: [...posts], handIns });
    if (outcome.ok) clear();
    else for (const { file } of handIns) await repository.dropFile(params.slot, file.id).catch(() => null);
    const words = `${counted(posts.length, "post")} of ${counted(authors.size, "student")} taken in.`;
    setSaid(outcome.ok ? { good: true, words } : { good: false, words: issueWords(outcome.issue) });
  };
  return (
    <main className="mx-auto w-full max-w-[900px] px-[30px] pt-6 pb-16">
      <PageTitle about={assignment.name}>Posts</PageTitle>
      <h1 className="page-title">{assignment.name}: posts</h1>
      <PlanPlaces slot={params.slot} />
      <p className="mt-4 max-w-prose text-[15px]">
        Paste the posts of the discussion, or open a CSV file. The first line names the columns: student, text, post id,
        reply to, time. Everyone’s own posts become their hand-in; who posted nothing stays as they are.
        {known > 0 && ` ${counted(known, "post")} stand here now; a new list takes their place.`}
      </p>
      <PastedList
        label="Posts"
        placeholder={"student,post id,reply to,time,text\nL26041,1,,2026-11-02 10:15,What decides the rating?"}
        text={text}
        onText={(next) => {
          setText(next);
          setSaid(null);
        }}
        isLeft={isLeft}
        onClear={clear}
      >
        {posts.length > 0 && (
          <button type="button" className="act act-first" onClick={() => void takeIn()}>
            Take in {counted(posts.length, "post")} of {counted(authors.size, "student")}
          </button>
        )}
        <Link
          className="link text-[14.5px]"
          to={`/courses/${params.slot}/plan/assignments/${inAddress(assignment.id)}`}
        >
          Back to the assignment
        </Link>
      </PastedList>
      {isReading && (
        <p role="status" className="mt-3 text-soft">
          Reading the posts
        </p>
      )}
      {said && (
        <p role={said.good ? "status" : "alert"} className={`mt-3 ${said.good ? "text-green" : "text-wax"}`}>
          {said.words}
        </p>
      )}
      {issues.length > 0 && (
        <ul aria-label="Left out" className="mt-3 text-[14px] text-wax">
          {issues.slice(0, SHOWN).map((issue, index) => (
            <li key={index}>{issueText(issue)}</li>
          ))}
          {issues.length > SHOWN && <li>and {issues.length - SHOWN} more</li>}
        </ul>
      )}
      {posts.length > 0 && (
        <ul aria-label="Preview" className="mt-4 border-t border-rule text-[14px]">
          {posts.slice(0, SHOWN).map((post) => (
            <li key={post.id} className="flex gap-4 border-b border-rule py-1">
              <span className="w-44 shrink-0 truncate font-semibold">
                {students.filter(({ id }) => id === post.studentId).map(fullName)}
              </span>
              <span className="figures w-36 shrink-0 text-soft">
                {post.at ? momentText(post.at, timeZone) : "no time"}
              </span>
              <span className="min-w-0 truncate">{post.text}</span>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
