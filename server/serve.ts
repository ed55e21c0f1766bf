import { readFileSync } from "node:fs";
import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import { join } from "node:path";
import sirv from "sirv";
import { securityHeaders } from "./headers.js";

export interface ServeOptions {
  /** Folder of the built client. */
  readonly folder: string;
  /** The port, or 0 for any that is free. */
  readonly port: number;
}

/** The port is taken. Another one would be another store of the browser, in which the courses are not. */
export class PortTakenError extends Error {
  constructor(readonly port: number) {
    super(
      `Port ${String(port)} is taken by another program. Courses are kept under this address, so it stays the same: end that program, or open http://127.0.0.1:${String(port)}/ if it is this application already.`,
    );
    this.name = "PortTakenError";
  }
}

/** The port that was asked for. @throws RangeError with what is wrong, in words */
export function portFrom(text: string | undefined, otherwise: number): number {
  if (text === undefined || text.trim() === "") return otherwise;
  const port = Number(text);
  if (!/^\d{1,5}$/.test(text.trim()) || port > 65_535) {
    throw new RangeError(`PORT is "${text}". It must be a whole number from 0 to 65535, such as 4173.`);
  }
  return port;
}

/** Files that carry a sum of their content in their name never change; everything else is asked for anew. */
const cacheOf = (pathname: string): string =>
  pathname.startsWith("/assets/") ? "public, max-age=31536000, immutable" : "no-cache";

/** Serves the built files on 127.0.0.1 and nothing else: no state, no data, GET and HEAD only. Answers the port. @throws PortTakenError */
export function serve({ folder, port }: ServeOptions): Promise<number> {
  const headers = securityHeaders(readFileSync(join(folder, "index.html"), "utf8"));
  const files = sirv(folder, {
    single: true,
    etag: true,
    ignores: [/^\/assets\//],
    setHeaders: (response, pathname) => {
      response.setHeader("Cache-Control", cacheOf(pathname));
    },
  });
  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    if (refused(request, response)) return;
    // No file of the application is read in parts, so none is answered in parts.
    delete request.headers.range;
    response.on("pipe", (source) => {
      // A file that vanished after the start ends its own answer, not the server.
      source.on("error", () => response.destroy());
    });
    files(request, response, () => {
      response.writeHead(404, { "Cache-Control": "no-store" }).end();
    });
  });
  return new Promise((resolve, reject) => {
    server.on("listening", () => {
      const address = server.address();
      resolve(typeof address === "object" && address ? address.port : port);
    });
    server.on("error", (error: NodeJS.ErrnoException) => {
      reject(error.code === "EADDRINUSE" ? new PortTakenError(port) : error);
    });
    server.listen(port, "127.0.0.1");
  });
}

/** Answers what is not for the files: another method, and the other name of this computer, under which there would be another store. */
function refused(request: IncomingMessage, response: ServerResponse): boolean {
  if (request.method !== "GET" && request.method !== "HEAD") {
    response.writeHead(405, { Allow: "GET, HEAD" }).end();
    return true;
  }
  const other = /^localhost(:\d+)?$/i.exec(request.headers.host ?? "");
  if (!other) return false;
  const path = request.url?.startsWith("/") ? request.url : "/";
  response.writeHead(307, { Location: `http://127.0.0.1${other[1] ?? ""}${path}`, "Cache-Control": "no-store" }).end();
  return true;
}
