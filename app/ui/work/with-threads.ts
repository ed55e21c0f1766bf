/** A post of somebody else, beside a student's own. */
export interface BesidePost {
  readonly name: string;
  readonly when: string;
  readonly text: string;
  readonly depth: number;
  /** The student's own, said before; it is only named. */
  readonly own: boolean;
}

/** What stands before and after one post of a student in its thread. */
export interface PostContext {
  readonly before: readonly BesidePost[];
  readonly after: readonly BesidePost[];
}

/** Characters of a folded post that are shown. */
const FIRST_WORDS = 90;

/** A student's posts with the others' of their threads around them, folded; the others' are no part of the work. */
export function withThreads(html: string, contexts: readonly PostContext[]): string {
  const page = document.implementation.createHTMLDocument("");
  page.body.innerHTML = html;
  const folded = (posts: readonly BesidePost[], lead: string) =>
    posts.map((post) => {
      const element = page.createElement(post.own ? "p" : "details");
      element.setAttribute("data-aside", "");
      element.style.marginInlineStart = `${String(Math.min(post.depth, 6) * 14)}px`;
      const short = post.text.length > FIRST_WORDS ? `${post.text.slice(0, FIRST_WORDS).trimEnd()}…` : post.text;
      const head = page.createElement(post.own ? "span" : "summary");
      head.textContent = `${lead} ${post.name}${post.when ? `, ${post.when}` : ""}: ${short}`;
      element.append(head);
      if (!post.own) {
        const words = page.createElement("p");
        words.textContent = post.text;
        element.append(words);
      }
      return element;
    });
  [...page.body.querySelectorAll("article")].forEach((article, index) => {
    const context = contexts[index];
    article.before(...folded(context?.before ?? [], "↳ in answer to"));
    article.after(...folded(context?.after ?? [], "↳ answered by"));
  });
  return page.body.innerHTML;
}
