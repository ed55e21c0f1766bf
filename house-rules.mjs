// Rules of this house that no package has, for the lint (.oxlintrc.json).

const rule = (visitors) => ({ create: (context) => visitors((node, message) => context.report({ node, message })) });
/** Whether an element is one of the page itself, not a part of ours. */
const isOfThePage = (name) => name.type === "JSXIdentifier" && /^[a-z]/.test(name.name);
const valueOf = (attribute) => (attribute.value?.type === "Literal" ? attribute.value.value : null);

export default {
  meta: { name: "house" },
  rules: {
    "no-enum": rule((report) => ({
      TSEnumDeclaration: (node) => report(node, "A union of words says the same and is plain data."),
    })),
    "one-choice": rule((report) => ({
      JSXOpeningElement(node) {
        if (node.name.name === "select") report(node, "app/ui/fields/choice.tsx is the one choice out of a list.");
      },
    })),
    "one-tick": rule((report) => ({
      JSXAttribute(node) {
        if (node.name.name === "type" && /^(checkbox|radio)$/.test(String(valueOf(node)))) {
          report(node, "Tick and OneOf of app/ui/fields are the one box to tick and the one choice of a few.");
        }
      },
    })),
    "hint-in-data": rule((report) => ({
      JSXAttribute(node) {
        const { name } = node.parent;
        if (node.name.name === "title" && isOfThePage(name) && name.name !== "iframe") {
          report(node, "A hint is said in data-hint; app/ui/parts/hint-layer.tsx shows it.");
        }
      },
    })),
    "time-is-handed-in": rule((report) => ({
      NewExpression(node) {
        if (node.callee.name === "Date" && node.arguments.length === 0) report(node, "Time is handed in.");
      },
    })),
  },
};
