import MarkdownIt from "markdown-it";

/** The few marks a comment may carry: `**strong**`, `*emphasis*`, lists, and lines of their own. */
const light = new MarkdownIt("zero", { breaks: true }).enable(["emphasis", "list", "newline", "escape"]);

/** A comment as HTML. Nothing but paragraphs, lists, strong and emphasised words can come out of it. */
export const formattedHtml = (text: string): string => light.render(text);

/** A comment without its marks, for places that show plain words. */
export function plainWords(text: string): string {
  const lines: string[] = [];
  const lists: (number | null)[] = [];
  let lead = "";
  for (const token of light.parse(text, {})) {
    if (token.type === "bullet_list_open") lists.push(null);
    else if (token.type === "ordered_list_open") lists.push(Number(token.attrGet("start") ?? 1));
    else if (token.type.endsWith("_list_close")) lists.pop();
    else if (token.type === "list_item_open") {
      const number = lists.at(-1);
      lead = number == null ? "• " : `${String(number)}. `;
      if (number != null) lists[lists.length - 1] = number + 1;
    } else if (token.type === "inline") {
      const words = (token.children ?? []).map((child) => (child.type.endsWith("break") ? "\n" : child.content));
      lines.push(lead + words.join(""));
      lead = "";
    }
  }
  return lines.join("\n");
}
