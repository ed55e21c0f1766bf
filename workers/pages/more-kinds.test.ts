import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import type { PageContent, PageIssue, PageNode } from "#core/formats";
import { writeSheets } from "../tables/sheets-out";
import { openCode } from "./code";
import { openNotebook } from "./notebook";
import { openOpenText } from "./open-text";
import { columnLetters, openSpreadsheet } from "./spreadsheet";

const bytes = (text: string) => new TextEncoder().encode(text);
function whole(opened: PageContent | PageIssue): PageContent {
  if (typeof opened === "string") throw new Error(opened);
  return opened;
}
const textOf = (nodes: readonly PageNode[]): string =>
  nodes.map((node) => (typeof node === "string" ? node : textOf(node.children ?? []))).join("");
/** `p(words)` and the like, without attributes. */
const shapeOf = (nodes: readonly PageNode[]): string =>
  nodes.map((node) => (typeof node === "string" ? node : `${node.tag}(${shapeOf(node.children ?? [])})`)).join("");
const linesOf = ({ nodes }: PageContent): string[] => {
  const [pre] = nodes;
  return typeof pre === "object" ? (pre.children ?? []).map((line) => textOf([line])) : [];
};

describe("source code", () => {
  it("comes in its own lines, every character kept, with the kinds of its words told", () => {
    const source = 'def flow(depths):\n    """Sum of\n    the verticals."""\n\n    return 0.6 * sum(depths) # m3/s\n';
    const opened = whole(openCode(bytes(source), "text/x-python"));
    expect(linesOf(opened).join("\n")).toBe(source.trimEnd());
    const json = JSON.stringify(opened.nodes);
    expect(json).toContain('"class":"hljs-keyword"},"children":["def"]');
    expect(json).toContain('"class":"hljs-comment"},"children":["# m3/s"]');
    // Words that go over lines are told on each of them.
    expect(json.match(/hljs-string/g)).toHaveLength(2);
  });

  it("is text, whatever stands in it", () => {
    const hostile = '<script>alert(1)</script>\n<img src=x onerror="alert(2)">';
    const opened = whole(openCode(bytes(hostile), "text/xml"));
    expect(linesOf(opened).join("\n")).toBe(hostile);
    const tags = (nodes: readonly PageNode[]): string[] =>
      nodes.flatMap((node) => (typeof node === "string" ? [] : [node.tag, ...tags(node.children ?? [])]));
    expect(new Set(tags(opened.nodes))).toEqual(new Set(["pre", "div", "span"]));
  });

  it("of a language that is not known comes plain, and endless code is said to be too large", () => {
    expect(linesOf(whole(openCode(bytes("x = 1\r\ny = 2"), "text/x-tex")))).toEqual(["x = 1", "y = 2"]);
    expect(openCode(bytes("x\n".repeat(600_000)), "text/x-python")).toBe("too_large");
  });
});

describe("a computational notebook", () => {
  const notebook = (cells: readonly unknown[]) =>
    bytes(JSON.stringify({ nbformat: 4, metadata: { language_info: { name: "python" } }, cells }));

  it("shows words, code and kept results, and runs nothing", () => {
    const { nodes } = whole(
      openNotebook(
        notebook([
          { cell_type: "markdown", source: ["# Low flow\n", "in *September*"] },
          {
            cell_type: "code",
            source: "print(q95)",
            outputs: [
              { output_type: "stream", text: ["0.42\n"] },
              { output_type: "display_data", data: { "image/png": "iVBORw0KGgo=", "text/plain": "<Figure>" } },
              {
                output_type: "execute_result",
                data: { "text/html": "<table><tr><td>1</td></tr></table><script>x</script>" },
              },
              { output_type: "error", ename: "NameError", evalue: "q is not defined" },
            ],
          },
        ]),
      ),
    );
    const shape = shapeOf(nodes);
    expect(shape).toContain("h1(Low flow)");
    expect(shape).toContain("em(September)");
    expect(textOf(nodes)).toContain("print(q95)");
    expect(shape).toContain("pre(0.42\n)img()");
    expect(shape).toContain("table(");
    expect(textOf(nodes)).toContain("NameError: q is not defined");
    expect(JSON.stringify(nodes)).not.toMatch(/script|<Figure>/);
  });

  it("that is none, or holds a picture that is no picture, brings nothing in", () => {
    expect(openNotebook(bytes("{}"))).toBe("damaged");
    expect(openNotebook(bytes("not json"))).toBe("damaged");
    const odd = whole(
      openNotebook(
        notebook([
          {
            cell_type: "code",
            source: "x",
            outputs: [{ output_type: "display_data", data: { "image/png": '"><script>', "text/plain": "a figure" } }],
          },
        ]),
      ),
    );
    expect(textOf(odd.nodes)).toContain("a figure");
    expect(JSON.stringify(odd.nodes)).not.toContain("img");
  });
});

describe("an OpenDocument text", () => {
  const NAMES =
    'xmlns:office="o" xmlns:text="t" xmlns:style="s" xmlns:fo="f" xmlns:table="tb" xmlns:draw="d" xmlns:xlink="x"';
  const odt = (body: string, styles = "", more: Record<string, Uint8Array> = {}) =>
    zipSync({
      mimetype: strToU8("application/vnd.oasis.opendocument.text"),
      "content.xml": strToU8(
        `<?xml version="1.0"?><office:document-content ${NAMES}><office:automatic-styles>${styles}</office:automatic-styles><office:body><office:text>${body}</office:text></office:body></office:document-content>`,
      ),
      ...more,
    });

  it("comes with its headings, words, lists, tables and pictures", () => {
    const style =
      '<style:style style:name="T1"><style:text-properties fo:font-weight="bold" fo:font-style="italic"/></style:style>';
    const body =
      '<text:h text:outline-level="2">Stop 1</text:h><text:p>Low <text:span text:style-name="T1">flow</text:span><text:s text:c="2"/>&amp; rain<text:line-break/><text:a xlink:href="https://remote.example/">source</text:a></text:p>' +
      "<text:list><text:list-item><text:p>weed</text:p></text:list-item></text:list>" +
      '<table:table><table:table-row><table:table-cell table:number-columns-spanned="2"><text:p>Q</text:p></table:table-cell></table:table-row></table:table>' +
      '<text:p><draw:frame><draw:image xlink:href="Pictures/a.png"/></draw:frame></text:p>' +
      "<office:annotation><text:p>a remark of the tutor</text:p></office:annotation>";
    const { nodes } = whole(openOpenText(odt(body, style, { "Pictures/a.png": new Uint8Array([137, 80, 78, 71]) })));
    const shape = shapeOf(nodes);
    expect(shape).toContain("h2(Stop 1)");
    expect(shape).toContain("strong(em(span(flow)))");
    expect(textOf(nodes)).toContain("flow\u00a0\u00a0& rain");
    expect(shape).toContain("ul(li(p(weed)))");
    expect(shape).toContain("table(tr(td(p(Q))))");
    const json = JSON.stringify(nodes);
    expect(json).toContain('"colspan":"2"');
    expect(json).toContain('"src":"data:image/png;base64,iVBORw=="');
    expect(json).toContain('"data-address":"https://remote.example/"');
    expect(json).not.toContain("a remark of the tutor");
  });

  it("that is damaged, locked, or defines entities is refused", () => {
    expect(openOpenText(bytes("no archive"))).toBe("damaged");
    expect(openOpenText(zipSync({ "other.xml": strToU8("<x/>") }))).toBe("damaged");
    const bomb = zipSync({ "content.xml": strToU8('<!DOCTYPE x [<!ENTITY a "aaaa">]><x>&a;</x>') });
    expect(openOpenText(bomb)).toBe("damaged");
  });
});

describe("a spreadsheet that was handed in", () => {
  const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
  const written = async (rows: readonly (readonly (string | number)[])[]) =>
    new Uint8Array(await (await writeSheets([{ name: "Gauging", rows }], "xlsx", "point")).arrayBuffer());

  it("is shown as a table of its values, its columns by their letters", async () => {
    const { nodes } = whole(await openSpreadsheet(await written([["depth", "speed"], [0.42, 0.31]]), XLSX)); // oxfmt-ignore
    expect(shapeOf(nodes)).toBe(
      "h2(Gauging)table(tr(th()th(A)th(B))tr(th()td(depth)td(speed))tr(th()td(0.42)td(0.31)))",
    );
    expect([0, 25, 26, 701, 702].map(columnLetters)).toEqual(["A", "Z", "AA", "ZZ", "AAA"]);
  });

  it("of endless rows says how many are not shown; a damaged one is refused", async () => {
    const { nodes } = whole(await openSpreadsheet(await written(Array.from({ length: 21_000 }, (_, at) => [at])), XLSX)); // oxfmt-ignore
    expect(textOf(nodes)).toMatch(/1000 more rows are not shown/);
    expect(await openSpreadsheet(bytes("nothing"), XLSX)).toBe("damaged");
  });
});
