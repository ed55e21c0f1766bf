import { measureScan } from "./scan";
console.log(await measureScan());
