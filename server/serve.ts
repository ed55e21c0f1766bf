import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { join } from "node:path";
import sirv from "sirv";
import { securityHeaders } from "./headers.js";

export interface ServeOptions {
  /** Folder of the built client. */
  readonly folder: string;
  /** Port wished for; where it is taken, the system chooses one. */
  readonly port: number;
}

/** Serves the built files on 127.0.0.1 and nothing else: no state, no data, GET and HEAD only. Answers the port. */
export function serve({ folder, port }: ServeOptions): Promise<number> {
  const headers = securityHeaders(readFileSync(join(folder, "index.html"), "utf8"));
  const files = sirv(folder, { single: true, etag: true });
  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    if (request.method !== "GET" && request.method !== "HEAD") {
      response.writeHead(405, { Allow: "GET, HEAD" }).end();
      return;
    }
    if (request.url?.startsWith("/assets/")) {
      response.setHeader("Cache-Control", "public, max-age=31536000, immutable");
    }
    files(request, response, () => {
      response.writeHead(404).end();
    });
  });
  return new Promise((resolve, reject) => {
    server.on("listening", () => {
      const address = server.address();
      resolve(typeof address === "object" && address ? address.port : port);
    });
    server.on("error", (error: NodeJS.ErrnoException) => {
      if (error.code === "EADDRINUSE" && port !== 0) server.listen(0, "127.0.0.1");
      else reject(error);
    });
    server.listen(port, "127.0.0.1");
  });
}
