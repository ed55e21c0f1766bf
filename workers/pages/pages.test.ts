import { Document, ExternalHyperlink, Packer, Paragraph, Table, TableCell, TableRow, TextRun } from "docx";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import type { PageContent, PageIssue, PageNode } from "#core/formats";
import { openMarkdown, openWebPage } from "./web-page";
import { openWord, trimmedWord } from "./word";

const bytes = (text: string) => new TextEncoder().encode(text);
const textOf = (nodes: readonly PageNode[]): string =>
  nodes.map((node) => (typeof node === "string" ? node : textOf(node.children ?? []))).join("");
function whole(opened: PageContent | PageIssue): PageContent {
  if (typeof opened === "string") throw new Error(opened);
  return opened;
}

async function makeWord(): Promise<Uint8Array> {
  const document = new Document({
    sections: [
      {
        children: [
          new Paragraph({
            children: [new TextRun({ text: "Low flow", color: "AA3300" }), new TextRun(" in September.")],
          }),
          new Paragraph({
            children: [
              new ExternalHyperlink({ link: "https://remote.example/a", children: [new TextRun("a source")] }),
            ],
          }),
          new Table({
            rows: [new TableRow({ children: [new TableCell({ children: [new Paragraph("0.42 m³/s")] })] })],
          }),
        ],
      },
    ],
  });
  return new Uint8Array(await Packer.toBuffer(document));
}

function withPart(word: Uint8Array, name: string, change: (text: string) => string): Uint8Array {
  const parts = unzipSync(word);
  return zipSync({ ...parts, [name]: strToU8(change(strFromU8(parts[name] ?? new Uint8Array()))) });
}

describe("a Word file", () => {
  it("comes as data: its words, its table, its looks; a link tells its address and leads nowhere", async () => {
    const { nodes, css } = whole(await openWord(await makeWord()));
    expect(textOf(nodes)).toContain("Low flow in September.");
    expect(textOf(nodes)).toContain("0.42 m³/s");
    const json = JSON.stringify(nodes);
    expect(json).toContain('"data-address":"https://remote.example/a"');
    expect(json).not.toMatch(/"href"|"style"|"on[a-z]+"/);
    expect(css).toMatch(/\.w\d+\.w\d+\.w\d+\{[^}]*color:#AA3300/);
  });

  it("with a colour that closes its style rule brings no rule of its own", async () => {
    const hostile = withPart(await makeWord(), "word/styles.xml", (text) =>
      text.replace(
        "</w:styles>",
        '<w:style w:type="paragraph" w:styleId="E"><w:name w:val="E"/><w:rPr><w:color w:val="000} button{position:fixed;inset:0;opacity:0;z-index:9999} .a{color:000"/></w:rPr></w:style></w:styles>',
      ),
    );
    const { css } = whole(await openWord(hostile));
    expect(css).not.toMatch(/[{;]position|inset|opacity|z-index|button/);
  });

  it("that unpacks to tens of megabytes is not unpacked", async () => {
    const swollen = withPart(await makeWord(), "word/document.xml", (text) =>
      text.replace("<w:body>", `<w:body>${"<w:p><w:r><w:t>x</w:t></w:r></w:p>".repeat(1_500_000)}`),
    );
    expect(swollen.length).toBeLessThan(400_000);
    const start = performance.now();
    expect(trimmedWord(swollen)).toBe("too_large");
    expect(await openWord(swollen)).toBe("too_large");
    // A bound for a loop without end, not a measure of speed.
    expect(performance.now() - start).toBeLessThan(10_000);
  });

  it("with a document type, without its text, or cut short is refused", async () => {
    const word = await makeWord();
    const typed = withPart(word, "word/document.xml", (text) =>
      text.replace(/(<\?xml[^>]*>)?/, '$1<!DOCTYPE x [<!ENTITY a "aaaaaaaa">]>'),
    );
    expect(await openWord(typed)).toBe("damaged");
    expect(await openWord(word.slice(0, word.length - 500))).toBe("damaged");
    expect(await openWord(zipSync({ "a.txt": strToU8("a") }))).toBe("damaged");
    expect(await openWord(bytes("no archive"))).toBe("damaged");
  });

  it("loses macros, fonts and what lies outside on the way", async () => {
    const parts = unzipSync(await makeWord());
    const trimmed = trimmedWord(
      zipSync({ ...parts, "word/vbaProject.bin": strToU8("AutoOpen"), "word/fonts/a.odttf": strToU8("font") }),
    );
    if (typeof trimmed === "string") throw new Error(trimmed);
    expect(Object.keys(unzipSync(trimmed)).filter((name) => /vba|fonts\//.test(name))).toEqual([]);
  });
});

describe("a stored page", () => {
  it.each([
    ["<script>alert(1)</script>"],
    ["<style>body{display:none}</style>"],
    ["<iframe src=https://remote.example></iframe>"],
    ["<img src=https://remote.example/a.png>"],
    ["<img src=x onerror=alert(1)>"],
    ["<svg onload=alert(1)><a href=javascript:alert(1)>x</a></svg>"],
    ["<img src='data:image/svg+xml;base64,PHN2Zz4='>"],
    ["<form action=https://remote.example><input name=a></form>"],
    ["<base href=https://remote.example>"],
    ["<p style='position:fixed'>"],
    ["<math><mtext></mtext></math>"],
    ["<object data=x></object><embed src=x>"],
    ["<link rel=stylesheet href=https://remote.example/a.css>"],
  ])("loses %s and keeps its words", (evil) => {
    const { nodes, css } = whole(openWebPage(bytes(`<html><head></head><body><p>Words</p>${evil}</body></html>`)));
    const json = JSON.stringify(nodes);
    expect(textOf(nodes)).toMatch(/^Words/);
    expect(css).toBe("");
    expect(json).not.toMatch(/script|style|remote|iframe|onerror|onload|svg|form|input|alert|javascript|position/);
  });

  it("keeps a picture of its own, tables, and addresses of links that lead nowhere", () => {
    const html =
      '<table><tr><td colspan="2">a</td></tr></table><img alt="bar" src="data:image/png;base64,iVBORw0KGgo="><a href="https://x.example/?q=1">there</a><a href="javascript:alert(1)">no</a>';
    const json = JSON.stringify(whole(openWebPage(bytes(html))).nodes);
    expect(json).toContain('"colspan":"2"');
    expect(json).toContain('"alt":"bar"');
    expect(json).toContain('"data-address":"https://x.example/?q=1"');
    expect(json).toContain('{"tag":"a","children":["no"]}');
  });

  it("that is nested too deep, or has too many pieces, does not stand in the way", () => {
    const deep = whole(openWebPage(bytes(`${"<div>".repeat(5_000)}deep${"</div>".repeat(5_000)}`)));
    expect(JSON.stringify(deep.nodes).split("div").length).toBeLessThan(300);
    expect(openWebPage(bytes("<p>a</p>".repeat(40_000)))).toBe("too_large");
    expect(openMarkdown(bytes("a ".repeat(600_000)))).toBe("too_large");
  });
});

it("Markdown becomes headings, lists and emphasis; HTML in it stays text", () => {
  const { nodes } = whole(openMarkdown(bytes("# Bar\n\n* one\n* **two**\n\n<script>alert(1)</script>")));
  const json = JSON.stringify(nodes);
  expect(json).toContain('"tag":"h1"');
  expect(json).toContain('"tag":"strong"');
  expect(textOf(nodes)).toContain("<script>alert(1)</script>");
});
