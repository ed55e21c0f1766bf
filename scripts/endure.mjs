// npm run endure: kills the whole browser at random moments, opens it again, and compares. `--act lock` takes one act of
// them, `--kills 300 --seed 7` how often and by which chance; the same seed, the same moments.
import { chanceFrom } from "./chance.mjs";
import { killUnderGathering } from "./endure/gathering.mjs";
import { killUnderLocking } from "./endure/locking.mjs";
import { killUnderMigration } from "./endure/migrating.mjs";
import { killUnderNewPassphrase } from "./endure/passphrase.mjs";
import { killUnderTakingIn } from "./endure/taking-in.mjs";
import { killUnderTyping } from "./endure/typing.mjs";
import { serveBuilt } from "./serve.mjs";

const option = (name, otherwise) => {
  const place = process.argv.indexOf(`--${name}`);
  return place < 0 ? otherwise : process.argv[place + 1];
};
/** The acts, and how many kills of each unless told otherwise. */
const ACTS = {
  typing: [killUnderTyping, 300],
  "taking-in": [killUnderTakingIn, 60],
  gathering: [killUnderGathering, 60],
  migrating: [killUnderMigration, 60],
  locking: [killUnderLocking, 60],
  passphrase: [killUnderNewPassphrase, 60],
};

const wanted = option("act", null);
if (wanted !== null && !(wanted in ACTS)) throw new Error(`--act is one of ${Object.keys(ACTS).join(", ")}`);
const seed = Number(option("seed", 20_261_128));
process.env.PORT = option("port", "4397");
const address = `http://127.0.0.1:${await serveBuilt()}`;
let faults = 0;
for (const [name, [act, usual]] of Object.entries(ACTS)) {
  if (wanted !== null && wanted !== name) continue;
  const row = await act({ address, kills: Number(option("kills", usual)), chance: chanceFrom(seed) });
  faults += row.lost + row.twice + row.half + row.unopened;
  console.log(
    `${row.what} | ${row.kills} kills | lost ${row.lost} | twice ${row.twice} | half ${row.half} | not opened ${row.unopened}`,
  );
}
process.exit(faults === 0 ? 0 : 1);
