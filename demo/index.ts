export { demoFileId, demoJournal, startCommand } from "./course";
export { demoDocumentsSchema, type DemoDocument } from "./documents";
