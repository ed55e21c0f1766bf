import type { Page } from "@playwright/test";

/**
 * Puts every piece of the tray to one student, as a hand would line after line; the page must be loaded anew to see it.
 * Reaches into the store behind the application, so that a test of many files need not type each.
 */
export const putAllTo = (page: Page, studentId: string): Promise<void> =>
  page.evaluate(async (student) => {
    const done = <T>(asked: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        asked.onsuccess = () => {
          resolve(asked.result);
        };
        asked.onerror = () => {
          reject(asked.error ?? new Error("refused"));
        };
      });
    const database = await done(indexedDB.open("upright-quill"));
    const store = database.transaction("meta", "readwrite").objectStore("meta");
    for (const key of await done(store.getAllKeys())) {
      if (typeof key !== "string" || !key.startsWith("tray/")) continue;
      const piece = await done(store.get(key) as IDBRequest<object>);
      await done(store.put({ ...piece, decision: { kind: "student", studentId: student, joins: false } }, key));
    }
    database.close();
  }, studentId);
