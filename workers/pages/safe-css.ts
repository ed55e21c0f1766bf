import { generate, parse, walk, type CssNode, type Declaration, type Rule } from "css-tree";

/**
 * Properties that only say how words look. What moves, covers, loads, moves in time or takes the pointer is not among them,
 * nor is anything that is thought of later.
 */
const PROPERTIES =
  /^(?:font(?:-(?:family|size|style|weight|variant|stretch|kerning))?|line-height|letter-spacing|word-spacing|text-(?:align|align-last|indent|decoration(?:-(?:line|style|color))?|transform|underline-position)|vertical-align|white-space|hyphens|direction|color|background-color|margin(?:-(?:top|right|bottom|left|inline|block)(?:-(?:start|end))?)?|padding(?:-(?:top|right|bottom|left))?|border(?:-(?:top|right|bottom|left))?(?:-(?:color|style|width))?|border-(?:collapse|spacing)|(?:min-|max-)?(?:width|height)|display|float|clear|list-style(?:-type|-position)?|counter-(?:reset|increment|set)|content|table-layout|caption-side|empty-cells|break-(?:before|after|inside)|page-break-(?:before|after|inside)|box-sizing|flex(?:-(?:flow|direction|wrap|grow|shrink|basis))?|tab-size)$/;
/** Functions a value may call: none of them loads anything. */
const FUNCTIONS = new Set(["rgb", "rgba", "hsl", "hsla", "calc", "counter", "counters", "min", "max", "clamp"]);
const DISPLAYS = /^(?:block|inline|inline-block|none|list-item|flex|inline-flex|table(?:-[a-z-]+)?)$/;

function isSafe({ property, value }: Declaration): boolean {
  if (!PROPERTIES.test(property) || value.type === "Raw") return false;
  if (property === "display" && !DISPLAYS.test(generate(value))) return false;
  let safe = true;
  walk(value, (node) => {
    if (node.type === "Url" || node.type === "Raw") safe = false;
    if (node.type === "Function" && !FUNCTIONS.has(node.name.toLowerCase())) safe = false;
  });
  return safe;
}

const isDeclaration = (node: CssNode): node is Declaration => node.type === "Declaration";

/** Selectors of the document's own elements; not the box it stands in, nor anything that asks about state. */
function isOwnSelector(rule: Rule): boolean {
  if (rule.prelude.type !== "SelectorList") return false;
  let own = true;
  walk(rule.prelude, (node) => {
    if (node.type === "PseudoClassSelector" && !/^(?:first-child|last-child|nth-child|not)$/.test(node.name))
      own = false;
    if (node.type === "PseudoElementSelector" && !/^(?:before|after|marker)$/.test(node.name)) own = false;
    if (node.type === "NestingSelector" || node.type === "Raw") own = false;
  });
  return own;
}

/** Style rules of a foreign document with what is on the list, each rule parsed and written anew. */
export function safeRules(css: string): string {
  const kept: string[] = [];
  const sheet = parse(css, { parseCustomProperty: false });
  if (sheet.type !== "StyleSheet") return "";
  sheet.children.forEach((rule) => {
    if (rule.type !== "Rule" || !isOwnSelector(rule)) return;
    const declarations = rule.block.children.filter(isDeclaration).toArray().filter(isSafe).map(generated);
    if (declarations.length > 0) kept.push(`${generate(rule.prelude)}{${declarations.join(";")}}`);
  });
  return kept.join("\n");
}

/** The declarations of a style attribute that are on the list. */
export function safeDeclarations(style: string): string {
  const list = parse(style, { context: "declarationList" });
  if (list.type !== "DeclarationList") return "";
  return list.children.filter(isDeclaration).toArray().filter(isSafe).map(generated).join(";");
}

/** Without `!important`: the page's own rules have the last word. */
const generated = (declaration: Declaration): string => generate({ ...declaration, important: false });
