import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import { defineConfig, globalIgnores } from "eslint/config";
import tseslint from "typescript-eslint";

const TESTS = ["**/*.test.{ts,tsx}", "e2e/**/*.ts"];
const NO_ENUM = { selector: "TSEnumDeclaration", message: "A union of words says the same and is plain data." };

export default defineConfig(
  globalIgnores(["build", ".react-router", "public", "node_modules", "test-results", "playwright-report"]),
  js.configs.recommended,
  {
    files: ["**/*.{ts,tsx}"],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: false }],
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/consistent-type-imports": "error",
      // Positions in texts count code points (W3C Web Annotation), which is what spreading a string gives.
      "@typescript-eslint/no-misused-spread": "off",
      // No enum is declared here; those of the packages that write PDF files are used in the workers, where it stays on (below).
      "@typescript-eslint/no-unsafe-enum-assignment": "off",
      "no-restricted-syntax": ["error", NO_ENUM],
      "max-lines": ["warn", { max: 400, skipBlankLines: true }],
      "max-params": ["error", 5],
    },
  },
  {
    files: ["app/**/*.{ts,tsx}"],
    extends: [reactHooks.configs.flat.recommended, jsxA11y.flatConfigs.recommended],
    rules: {
      "react-hooks/incompatible-library": "off",
      // A field takes the focus only when the person has just opened it by a key or a press.
      "jsx-a11y/no-autofocus": "off",
      "jsx-a11y/label-has-associated-control": ["error", { controlComponents: ["Choice"] }],
      "no-restricted-syntax": [
        "error",
        NO_ENUM,
        {
          selector: "JSXOpeningElement[name.name='select']",
          message: "app/ui/fields/choice.tsx is the one choice out of a list.",
        },
        {
          selector: "JSXAttribute[name.name='type'][value.value=/^(checkbox|radio)$/]",
          message: "Tick and OneOf of app/ui/fields are the one box to tick and the one choice of a few.",
        },
        {
          selector: "JSXOpeningElement[name.name=/^[a-z]/]:not([name.name='iframe']) > JSXAttribute[name.name='title']",
          message: "A hint is said in data-hint; app/ui/parts/hint-layer.tsx shows it.",
        },
      ],
    },
  },
  {
    files: ["core/**/*.ts"],
    ignores: TESTS,
    rules: {
      "max-lines-per-function": ["error", { max: 60, skipBlankLines: true, skipComments: true }],
      "no-restricted-globals": ["error", "window", "document", "fetch", "setTimeout", "crypto"],
      "no-restricted-properties": [
        "error",
        { object: "Date", property: "now", message: "Time is handed in." },
        { object: "Math", property: "random", message: "Chance is handed in." },
      ],
      "no-restricted-syntax": [
        "error",
        NO_ENUM,
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: "Time is handed in." },
      ],
      "@typescript-eslint/no-explicit-any": "error",
    },
  },
  { files: ["workers/**/*.ts"], rules: { "@typescript-eslint/no-unsafe-enum-assignment": "error" } },
  {
    files: ["storage/**/*.ts", "workers/**/*.ts", "server/**/*.ts"],
    ignores: TESTS,
    rules: { "max-lines-per-function": ["error", { max: 60, skipBlankLines: true, skipComments: true }] },
  },
  {
    // A part that is drawn is longer than what is worked out: what it holds and what it draws stand together.
    files: ["app/**/*.{ts,tsx}"],
    ignores: TESTS,
    rules: { "max-lines-per-function": ["error", { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ["scripts/**/*.mjs", "demo/make/**/*.mjs", "*.mjs", "*.cjs"],
    languageOptions: { globals: { process: "readonly", console: "readonly", module: "writable" } },
  },
  {
    // Parts of it run inside the browser that it kills.
    files: ["scripts/endure/*.mjs"],
    languageOptions: {
      globals: Object.fromEntries(
        ["window", "document", "performance", "MutationObserver", "indexedDB", "URL", "Buffer", "Element"].map(
          (name) => [name, "readonly"],
        ),
      ),
    },
  },
);
