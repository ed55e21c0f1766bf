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

/**
 * The modules that statements speak of, by the words they use. The bundler has found them already and lists them in that
 * order, before those that it puts in itself; looking for them once more takes as long as all the rest of this.
 */
function resolvedIn(context: Context, id: string, body: readonly Statement[]): ReadonlyMap<string, string> {
  const sources = [...new Set(body.flatMap((statement) => sourceOf(statement) ?? []))];
  const found = context.getModuleInfo(id)?.importedIds ?? [];
  if (found.length < sources.length) context.error(`${id} imports more than is listed of it: see resolvedIn`);
  return new Map(sources.map((source, place) => [source, found[place] ?? ""]));
}

function takenBy(context: Context, id: string): Taken {
  const own: [string, string | null][] = [];
  const handedOn = new Map<string, [string, string]>();
  const whole: string[] = [];
  const { code = null } = context.getModuleInfo(id) ?? {};
  const body = code === null ? [] : context.parse(code).body;
  const resolved = resolvedIn(context, id, body);
  for (const statement of body) {
    const from = resolved.get(sourceOf(statement) ?? "");
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
function neededBy(context: Context, ends: readonly string[], kept: Map<string, Taken>): ReadonlySet<string> {
  const needed = new Set<string>();
  const seen = new Set<string>();
  const left: (readonly [id: string, name: string | null])[] = ends.map((id) => [id, "*"]);
  for (let next = left.pop(); next; next = left.pop()) {
    const [id, name] = next;
    if (seen.has(`${id} ${String(name)}`)) continue;
    seen.add(`${id} ${String(name)}`);
    const taken = kept.get(id) ?? takenBy(context, id);
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

/** A part of a screen as the router has it built; the screen stands before the question mark. */
const SCREEN = /app\/routes\/.*\?(__react-router-build-client-route|route-chunk=.*)$/;

interface Files {
  /** Files by their names, each with the modules that bring along all that stands in it; an earlier one keeps what a later one needs too. */
  readonly ends: Readonly<Record<string, RegExp>>;
  /** Files for what is left, by how many screens at least use each of their modules; the most used first. */
  readonly shared: Readonly<Record<string, number>>;
}

/**
 * Modules that are loaded together stand in one file, however many others load some of them too: a screen comes with a few
 * requests, and not with a hundred in a row of steps, each of which only tells of the next.
 */
export function loadedTogether({ ends, shared }: Files) {
  const fileOf = new Map<string, string>();
  const plugin: Plugin = {
    name: "loaded-together",
    buildEnd() {
      fileOf.clear();
      const kept = new Map<string, Taken>();
      const all = [...this.getModuleIds()];
      for (const [name, end] of Object.entries(ends)) {
        const needed = neededBy(
          this,
          all.filter((one) => end.test(one)),
          kept,
        );
        for (const id of needed) {
          if (!fileOf.has(id)) fileOf.set(id, name);
        }
      }
      const parts = all.filter((id) => SCREEN.test(id));
      const screens = new Set(parts.map((id) => id.split("?")[0] ?? id));
      const users = new Map<string, number>();
      for (const screen of screens) {
        const own = parts.filter((id) => id.startsWith(`${screen}?`));
        for (const id of neededBy(this, own, kept)) users.set(id, (users.get(id) ?? 0) + 1);
      }
      for (const [id, count] of users) {
        const name = Object.keys(shared).find((one) => count >= (shared[one] ?? 0));
        if (name !== undefined && !fileOf.has(id)) fileOf.set(id, name);
      }
    },
  };
  return { plugin, fileOf: (id: string): string | null => fileOf.get(id) ?? null };
}
