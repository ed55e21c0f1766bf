import { Document, HeadingLevel, Packer, Paragraph, Tab, TextRun } from "docx";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";

/** Makes a Word file of the parsed Markdown: headings, paragraphs, lists, emphasis. The same words give the same bytes. */
export async function makeWord(tokens, at) {
  const children = [];
  let list = null;
  let cells = null;
  tokens.forEach((token, index) => {
    if (token.type === "bullet_list_open") list = "bullet";
    if (token.type === "ordered_list_open") list = "number";
    if (token.type.endsWith("list_close")) list = null;
    if (token.type === "tr_open") cells = [];
    if (token.type === "tr_close") {
      children.push(new Paragraph({ children: cells }));
      cells = null;
    }
    if (token.type !== "inline") return;
    if (cells) {
      // A row of a table is a line with tabs, as someone in a hurry writes it.
      cells.push(...runsOf(token.children), new TextRun({ children: [new Tab()] }));
      return;
    }
    const before = tokens[index - 1];
    const heading = before.type === "heading_open" ? before.tag : null;
    children.push(
      new Paragraph({
        children: runsOf(token.children),
        spacing: { after: 160, line: 320 },
        ...(heading && { heading: heading === "h1" ? HeadingLevel.HEADING_1 : HeadingLevel.HEADING_2 }),
        ...(list && { bullet: { level: 0 } }),
      }),
    );
  });
  return sameBytes(await Packer.toBuffer(new Document({ sections: [{ children }] })), at);
}

function runsOf(children) {
  let [bold, italics] = [false, false];
  return children.flatMap((child) => {
    if (child.type.startsWith("strong")) bold = child.type === "strong_open";
    else if (child.type.startsWith("em_")) italics = child.type === "em_open";
    else if (child.type === "softbreak") return [new TextRun(" ")];
    else if (child.content) return [new TextRun({ text: child.content, bold, italics })];
    return [];
  });
}

/** The package again with the time of the hand-in in place of the time of making. */
function sameBytes(buffer, at) {
  const parts = unzipSync(new Uint8Array(buffer));
  const core = strFromU8(parts["docProps/core.xml"]);
  parts["docProps/core.xml"] = strToU8(core.replace(/\d{4}-\d\d-\d\dT[\d:.]+Z/g, at.toISOString()));
  const inOrder = Object.fromEntries(
    Object.keys(parts)
      .sort()
      .map((name) => [name, parts[name]]),
  );
  return zipSync(inOrder, { mtime: at });
}
