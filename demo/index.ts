export { demoFileId, demoJournal } from "./course";
export { startCommand } from "./start";
export { demoInboxSchema } from "./inbox";
export { demoDocumentsSchema, documentsIn } from "./documents";
export { demoPostFiles } from "./posts";
export { notebookPages } from "./inbox/notebooks";
