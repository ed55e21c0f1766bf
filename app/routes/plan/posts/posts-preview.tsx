import type { PostIssue } from "#core/formats";
import { fullName, type Student } from "#core/model";
import { momentText } from "#core/words";
import type { usePosts } from "./use-posts";

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

interface PostsPreviewProps {
  readonly posts: ReturnType<typeof usePosts>["posts"];
  readonly issues: ReturnType<typeof usePosts>["issues"];
  readonly students: readonly Student[];
  readonly timeZone: string;
}

/** What would be left out, and the first posts as they were read. */
export function PostsPreview({ posts, issues, students, timeZone }: PostsPreviewProps) {
  return (
    <>
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
    </>
  );
}
