import { useState } from "react";
import { Link } from "react-router";
import { courseOf, postsOf, studentsOf } from "#core/model";
import { counted } from "#core/words";
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
import { takeInPosts } from "./take-in-posts";
import { PostsPreview } from "./posts-preview";

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
    const outcome = await takeInPosts({ repository, slot: params.slot, assignment, students, timeZone, posts, change });
    if (outcome.ok) clear();
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
      <PostsPreview {...{ posts, issues, students, timeZone }} />
    </main>
  );
}
