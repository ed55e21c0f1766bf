// Serves what was built last, on 127.0.0.1 at PORT.
import { at } from "./shell.mjs";

export async function serveBuilt() {
  const { serve } = await import(at("build", "server-static", "serve.js"));
  return serve({ folder: at("build", "client"), port: Number(process.env.PORT ?? 4173) });
}

if (process.argv[1] === at("scripts", "serve.mjs")) console.log(`http://127.0.0.1:${await serveBuilt()}/`);
