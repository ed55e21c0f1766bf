import MarkdownIt from "markdown-it";

/** The few marks a comment may carry: `**strong**`, `*emphasis*`, `[links](https://...)`, lists, and lines of their own. */
export const light = new MarkdownIt("zero", { breaks: true }).enable(["emphasis", "link", "list", "newline", "escape"]);

/** Whether an address may be a link in a comment: pages and mail, never a program or a file. */
export const isLinkAddress = (address: string): boolean => /^(?:https?:\/\/|mailto:)\S+$/i.test(address);
light.validateLink = isLinkAddress;

/** A piece of a comment as it was read. */
export type Token = ReturnType<typeof light.parse>[number];

// A page that a comment leads to opens beside the letter and learns nothing of it.
light.renderer.rules["link_open"] = (tokens, index, options, _env, self) => {
  tokens[index]?.attrSet("rel", "noopener noreferrer");
  tokens[index]?.attrSet("target", "_blank");
  return self.renderToken(tokens, index, options);
};

/** A comment as HTML. Nothing but paragraphs, lists, links, strong and emphasised words can come out of it. */
export const formattedHtml = (text: string): string => light.render(text);

/** A comment without its marks, for places that show plain words; the address of a link stands behind its words. */
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
      lines.push(lead + plainInline(token.children ?? []));
      lead = "";
    }
  }
  return lines.join("\n");
}

function plainInline(tokens: readonly Token[]): string {
  const addresses: string[] = [];
  return tokens
    .map((token) => {
      if (token.type === "link_open") addresses.push(String(token.attrGet("href") ?? ""));
      if (token.type === "link_close") return ` (${addresses.pop() ?? ""})`;
      return token.type.endsWith("break") ? "\n" : token.content;
    })
    .join("");
}
