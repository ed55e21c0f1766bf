import type { Plugin, Rolldown } from "vite";

/** What one module takes from others, by their resolved ids. */
interface Taken {
  /** What its own statements import: "*" for all of a module, nothing for one that is only run. */
  readonly own: readonly (readonly [id: string, name: string | null])[];
  /** What it hands on under a name, without a statement of its own. */
  readonly handedOn: ReadonlyMap<string, readonly [id: string, name: string]>;
  /** Modules of which it hands everything on. */
  readonly whole: readonly string[];
}

type Context = Rolldown.PluginContext;
type Statement = ReturnType<Context["parse"]>["body"][number];
type Imported = Extract<Statement, { type: "ImportDeclaration" }>["specifiers"][number];
type Name = Extract<Imported, { type: "ImportSpecifier" }>["imported"];

const textOf = (name: Name): string => (name.type === "Literal" ? name.value : name.name);

/** Under which name a module's export is imported. */
function importedName(one: Imported): string {
  if (one.type === "ImportSpecifier") return textOf(one.imported);
  return one.type === "ImportDefaultSpecifier" ? "default" : "*";
}

/** The module that a statement of another one speaks of; null where it speaks of none. */
const sourceOf = (statement: Statement): string | null =>
  "source" in statement && typeof statement.source === "object" ? (statement.source?.value ?? null) : null;

async function takenBy(context: Context, id: string): Promise<Taken> {
  const own: [string, string | null][] = [];
  const handedOn = new Map<string, [string, string]>();
  const whole: string[] = [];
  const { code = null } = context.getModuleInfo(id) ?? {};
  for (const statement of code === null ? [] : context.parse(code).body) {
    const source = sourceOf(statement);
    const from = source === null ? null : (await context.resolve(source, id))?.id;
    if (!from) continue;
    if (statement.type === "ImportDeclaration") {
      if (statement.specifiers.length === 0) own.push([from, null]);
      for (const one of statement.specifiers) own.push([from, importedName(one)]);
    } else if (statement.type === "ExportNamedDeclaration") {
      for (const one of statement.specifiers) handedOn.set(textOf(one.exported), [from, textOf(one.local)]);
    } else if (statement.type === "ExportAllDeclaration") {
      if (statement.exported) handedOn.set(textOf(statement.exported), [from, "*"]);
      else whole.push(from);
    }
  }
  return { own, handedOn, whole };
}

/**
 * All modules that cannot be done without once `ends` are loaded. Index files hand on far more than anybody takes: names are
 * followed through them, so that nothing comes along that no one asked for.
 */
async function neededBy(context: Context, ends: readonly string[]): Promise<ReadonlySet<string>> {
  const needed = new Set<string>();
  const seen = new Set<string>();
  const kept = new Map<string, Taken>();
  const left: (readonly [id: string, name: string | null])[] = ends.map((id) => [id, "*"]);
  for (let next = left.pop(); next; next = left.pop()) {
    const [id, name] = next;
    if (seen.has(`${id} ${String(name)}`)) continue;
    seen.add(`${id} ${String(name)}`);
    const taken = kept.get(id) ?? (await takenBy(context, id));
    kept.set(id, taken);
    const { own, handedOn, whole } = taken;
    const through = whole.find((one) => name !== null && context.getModuleInfo(one)?.exports.includes(name));
    const passed = handedOn.get(name ?? "") ?? (through && ([through, name] as const));
    if (passed) {
      left.push(passed);
      continue;
    }
    needed.add(id);
    left.push(...own);
    if (name === "*") left.push(...handedOn.values(), ...whole.map((one) => [one, "*"] as const));
  }
  return needed;
}

/**
 * Modules that are always loaded together stand in one file, however many others load some of them too: a page comes with
 * a few requests and not with a hundred. `groups` names the files, with the modules that bring each along; an earlier one
 * keeps what a later one needs too.
 */
export function loadedTogether(groups: Readonly<Record<string, RegExp>>) {
  const fileOf = new Map<string, string>();
  const plugin: Plugin = {
    name: "loaded-together",
    async buildEnd() {
      fileOf.clear();
      const all = [...this.getModuleIds()];
      for (const [name, end] of Object.entries(groups)) {
        const ends = all.filter((id) => end.test(id));
        for (const id of await neededBy(this, ends)) if (!fileOf.has(id)) fileOf.set(id, name);
      }
    },
  };
  return { plugin, fileOf: (id: string): string | null => fileOf.get(id) ?? null };
}
