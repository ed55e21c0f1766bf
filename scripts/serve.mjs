// Serves what was built last, on 127.0.0.1 at PORT.
import { at } from "./shell.mjs";

export async function serveBuilt() {
  const { portFrom, serve } = await import(at("build", "server-static", "serve.js"));
  try {
    return await serve({ folder: at("build", "client"), port: portFrom(process.env.PORT, 4173) });
  } catch (error) {
    if (error.name !== "PortTakenError" && error.name !== "RangeError") throw error;
    console.error(`\n${error.message}`);
    process.exit(1);
  }
}

if (process.argv[1] === at("scripts", "serve.mjs")) console.log(`http://127.0.0.1:${await serveBuilt()}/`);
