import { measureScan } from "./scan";
import { measureTray } from "./collect";
console.log(await measureTray());
console.log(await measureTray());
console.log(await measureScan());
