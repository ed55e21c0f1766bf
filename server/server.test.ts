import { createHash } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { scriptHashes, securityHeaders } from "./headers";
import { portFrom, serve } from "./serve";

const PAGE = '<!doctype html><script>go()</script><script type="module" src="/a.js"></script><p>shell</p>';

describe("security headers", () => {
  const policy = securityHeaders(PAGE)["Content-Security-Policy"] ?? "";
  const directive = (name: string) => policy.split("; ").find((part) => part.startsWith(`${name} `)) ?? "";

  it("allow inline scripts by their hash only, and no eval", () => {
    const hash = createHash("sha256").update("go()").digest("base64");
    expect(scriptHashes(PAGE)).toEqual([`'sha256-${hash}'`]);
    expect(directive("script-src")).toBe(`script-src 'self' 'wasm-unsafe-eval' 'sha256-${hash}'`);
    expect(directive("script-src")).not.toMatch(/'unsafe-(inline|eval)'/);
    expect(directive("style-src")).toBe("style-src 'self'");
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
  const ask = (path: string, method = "GET", headers: Readonly<Record<string, string>> = {}, at = port) =>
    new Promise<{ status: number; body: string; headers: Record<string, unknown> }>((resolve, reject) => {
      request({ host: "127.0.0.1", port: at, path, method, headers }, (response) => {
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

  it("keeps its port: where it is taken, it says so and does not move to another store", async () => {
    await expect(serve({ folder, port })).rejects.toMatchObject({ name: "PortTakenError", port });
    await expect(serve({ folder, port })).rejects.toThrow(/taken by another program.*end that program/);
  });

  it.each(["abc", "70000", "-1", "80.5"])("says what is wrong with PORT=%s", (text) => {
    expect(() => portFrom(text, 4173)).toThrow(/PORT is ".*It must be a whole number from 0 to 65535/);
  });

  it("takes a port that is given, and the usual one where none is", () => {
    expect([portFrom("5000", 4173), portFrom(undefined, 4173), portFrom("", 4173)]).toEqual([5000, 4173, 4173]);
  });

  it("leads from the other name of this computer to the one under which the courses are kept", async () => {
    const answer = await ask("/courses/a?x=1", "GET", { Host: `localhost:${String(port)}` });
    expect(answer.status).toBe(307);
    expect(answer.headers["location"]).toBe(`http://127.0.0.1:${String(port)}/courses/a?x=1`);
  });

  it.each(["bytes=5-2", "bytes=-3", "bytes=0-1,3-4", "bytes=999-", "nonsense"])(
    "answers the whole file to a range of %s, and goes on serving",
    async (range) => {
      expect(await ask("/assets/a.js", "GET", { Range: range })).toMatchObject({ status: 200, body: "go()" });
      expect((await ask("/assets/a.js")).status).toBe(200);
    },
  );

  it("outlives a file that vanished since it was started", async () => {
    writeFileSync(join(folder, "assets", "gone.js"), "x");
    const here = await serve({ folder, port: 0 });
    rmSync(join(folder, "assets", "gone.js"));
    await ask("/assets/gone.js", "GET", {}, here).catch(() => null);
    expect((await ask("/assets/a.js", "GET", {}, here)).body).toBe("go()");
  });

  it("a file that is not there is not kept as missing, and the page itself is always asked for anew", async () => {
    const missing = await ask("/assets/missing.js");
    expect(missing).toMatchObject({ status: 404, headers: { "cache-control": "no-store" } });
    expect((await ask("/assets/missing")).status).toBe(404);
    expect((await ask("/")).headers["cache-control"]).toBe("no-cache");
    expect((await ask("/courses/a")).headers["cache-control"]).toBe("no-cache");
  });
});
