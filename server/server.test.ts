import { createHash } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { scriptHashes, securityHeaders } from "./headers";
import { serve } from "./serve";

const PAGE = '<!doctype html><script>go()</script><script type="module" src="/a.js"></script><p>shell</p>';

describe("security headers", () => {
  const policy = securityHeaders(PAGE)["Content-Security-Policy"] ?? "";
  const directive = (name: string) => policy.split("; ").find((part) => part.startsWith(`${name} `)) ?? "";

  it("allow inline scripts by their hash only, and no eval", () => {
    const hash = createHash("sha256").update("go()").digest("base64");
    expect(scriptHashes(PAGE)).toEqual([`'sha256-${hash}'`]);
    expect(directive("script-src")).toBe(`script-src 'self' 'wasm-unsafe-eval' 'sha256-${hash}'`);
    expect(directive("script-src")).not.toMatch(/'unsafe-(inline|eval)'/);
  });

  it("let nothing be loaded from or sent to another address", () => {
    expect(directive("default-src")).toBe("default-src 'none'");
    expect(directive("connect-src")).toBe("connect-src 'self'");
    expect(policy).not.toMatch(/https?:|\*/);
    for (const name of ["base-uri", "frame-ancestors"]) expect(directive(name)).toBe(`${name} 'none'`);
  });
});

describe("the server", () => {
  const folder = mkdtempSync(join(tmpdir(), "quill-"));
  let port = 0;
  const ask = (path: string, method = "GET") =>
    new Promise<{ status: number; body: string; headers: Record<string, unknown> }>((resolve, reject) => {
      request({ host: "127.0.0.1", port, path, method }, (response) => {
        let body = "";
        response.on("data", (chunk: Buffer) => (body += chunk.toString()));
        response.on("end", () => {
          resolve({ status: response.statusCode ?? 0, body, headers: response.headers });
        });
      })
        .on("error", reject)
        .end();
    });

  beforeAll(async () => {
    mkdirSync(join(folder, "assets"));
    writeFileSync(join(folder, "index.html"), PAGE);
    writeFileSync(join(folder, "assets", "a.js"), "go()");
    port = await serve({ folder, port: 0 });
  });
  afterAll(() => {
    rmSync(folder, { recursive: true });
  });

  it("answers every place of the application with the same page and strict headers", async () => {
    const answer = await ask("/courses/reading-rivers/score/flood-memo/ilse-tarnowe");
    expect(answer).toMatchObject({ status: 200, body: PAGE });
    expect(answer.headers).toMatchObject({ "x-content-type-options": "nosniff", "referrer-policy": "no-referrer" });
    expect(answer.headers["content-security-policy"]).toContain("default-src 'none'");
  });

  it("serves built files for long keeping", async () => {
    const answer = await ask("/assets/a.js");
    expect(answer.body).toBe("go()");
    expect(answer.headers["cache-control"]).toContain("immutable");
  });

  it.each(["POST", "PUT", "DELETE"])("takes nothing: %s is refused", async (method) => {
    expect((await ask("/", method)).status).toBe(405);
  });

  it("gives nothing from outside its folder", async () => {
    expect((await ask("/../../etc/passwd")).body).not.toContain("root:");
  });

  it("takes another port when the wished one is taken", async () => {
    expect(await serve({ folder, port })).not.toBe(port);
  });
});
