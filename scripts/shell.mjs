// Small helpers of the command scripts. Plain JavaScript, because they run before anything is installed.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
export const at = (...parts) => join(root, ...parts);

/** Runs a command in the project's folder and answers its exit code. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: "inherit", ...options });
  return done.status ?? 1;
}

/** Runs a command beside others, and answers its exit code and all that it said. */
export function runQuietly(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ["ignore", "pipe", "pipe"] });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding("utf8");
      stream.on("data", (part) => (said += part));
    }
    child.on("error", (error) => resolve({ code: 1, said: String(error) }));
    child.on("close", (code) => resolve({ code: code ?? 1, said }));
  });
}

export function runOrStop(command, args) {
  const code = run(command, args);
  if (code !== 0) process.exit(code);
}

/** Starts a command that goes on; it ends with this process. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: root, stdio: "inherit", ...options });
  process.on("exit", () => child.kill());
  return child;
}

export const bin = (name) => at("node_modules", ".bin", name);

/** Installs the packages of the lock file when they are not the ones that stand there. */
export function install() {
  const wanted = createHash("sha256")
    .update(readFileSync(at("package-lock.json")))
    .digest("hex");
  const stamp = at("node_modules", ".installed-lock");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  console.log("Installing packages (about a minute)");
  runOrStop("npm", ["ci", "--no-audit", "--no-fund"]);
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, wanted);
}
