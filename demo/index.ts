export { demoFileId, demoJournal, startCommand } from "./course";
export { demoDocumentsSchema } from "./documents";
export { demoPostFiles } from "./posts";
