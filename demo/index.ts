export { demoFileId, demoJournal, startCommand } from "./course";
export { demoInboxSchema } from "./inbox";
export { demoDocumentsSchema } from "./documents";
export { demoPostFiles } from "./posts";
export { notebookPages } from "./inbox/notebooks";
