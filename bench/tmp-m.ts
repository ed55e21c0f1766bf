import { measureScan } from "./scan";
console.log(await measureScan());
console.log(await measureScan());
