/** What lies in the browser's store of journals: each key, and the text where it is a single entry. */
export const journalStore = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open("upright-quill");
        opening.onerror = () => reject(new Error("the store does not open"));
        opening.onsuccess = () => {
          const kept = [];
          opening.result.transaction("journal").objectStore("journal").openCursor().onsuccess = ({ target }) => {
            const cursor = target.result;
            if (cursor) {
              kept.push({ key: String(cursor.key), text: cursor.value?.text ?? null });
              cursor.continue();
            } else {
              opening.result.close();
              resolve(kept);
            }
          };
        };
      }),
  );
