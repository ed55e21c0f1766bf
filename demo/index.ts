export { demoFileId, demoJournal, startCommand } from "./course";
export { demoDocumentsSchema, type DemoDocument } from "./documents";
export { demoPostFiles } from "./posts";
