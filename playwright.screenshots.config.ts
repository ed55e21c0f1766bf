import base from "./playwright.config";

export default { ...base, testDir: "e2e/screenshots", testIgnore: [], workers: 1, reporter: [["list"] as ["list"]] };
