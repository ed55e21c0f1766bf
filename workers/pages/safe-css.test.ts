import { describe, expect, it } from "vitest";
import { safeDeclarations, safeRules } from "./safe-css";

describe("style rules of a foreign document", () => {
  it("keep what says how words look", () => {
    expect(safeRules(".word p { margin-bottom: 8pt; color: #a33; font-weight: bold }")).toBe(
      ".word p{margin-bottom:8pt;color:#a33;font-weight:bold}",
    );
    expect(safeDeclarations("text-align: center; border-top: 1pt solid black")).toBe(
      "text-align:center;border-top:1pt solid black",
    );
  });

  it("a value that closes its rule and opens another one adds no rule", () => {
    const css = ".word_a { color: #000} button { position: fixed; inset: 0; opacity: 0 } .x{ color: red }";
    expect(safeRules(css)).toBe(".word_a{color:#000}\n.x{color:red}");
    expect(safeDeclarations("color: red} html { display: none } .x{ color: blue")).not.toMatch(/[{}]/);
  });

  it.each([
    ["position: fixed; inset: 0"],
    ["z-index: 99999"],
    ["transform: scale(100)"],
    ["animation: fade 1s"],
    ["pointer-events: auto"],
    ["background-image: url(https://remote.example/a.png)"],
    ["background-color: image-set('a.png' 1x)"],
    ["background: url(x)"],
    ["list-style: url(x)"],
    ["content: url(x)"],
    ["cursor: url(x), auto"],
    ["color: var(--ink)"],
    ["--ink: red"],
    ["width: expression(alert(1))"],
    ["behavior: url(x)"],
    ["display: contents"],
    ["opacity: 0"],
    ["visibility: hidden"],
    ["mix-blend-mode: difference"],
    ["filter: invert(1)"],
    ["color: \\75rl(x)"],
  ])("%s is left out", (declaration) => {
    expect(safeDeclarations(declaration)).toBe("");
    expect(safeRules(`p { ${declaration} }`)).toBe("");
  });

  it.each([
    ["@import url(https://remote.example/a.css);"],
    ["@font-face { font-family: x; src: url(x) }"],
    ["@media print { p { color: red } }"],
    ["@keyframes a { to { color: red } }"],
    [":host { color: red }"],
    [":host-context(body) p { color: red }"],
    ["::slotted(p) { color: red }"],
    ["p:hover { color: red }"],
    ["::part(x) { color: red }"],
  ])("%s is left out", (css) => {
    expect(safeRules(css)).toBe("");
  });

  it("what is marked as important is not", () => {
    expect(safeRules("p { color: red !important }")).toBe("p{color:red}");
  });
});
