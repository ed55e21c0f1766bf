/** A newer version of the application that has been fetched whole and waits for its turn. */
let waiting: ServiceWorker | null = null;
const listeners = new Set<() => void>();

const tell = (worker: ServiceWorker | null): void => {
  waiting = worker;
  for (const listener of listeners) listener();
};

/** Hears when a newer version has come or gone. */
export function onNewVersion(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether a newer version waits until all tabs are closed, or until the person says now. */
export const isNewVersionWaiting = (): boolean => waiting !== null;

/** Lets the newer version take over at once; every tab opens anew with it, as it was left. */
export const takeNewVersion = (): void => waiting?.postMessage({ type: "SKIP_WAITING" });

/**
 * Keeps the application in the browser, so that it opens without its server, and hears of newer versions. Where the browser
 * has no such thing, or refuses, the application works as long as its server answers.
 */
export async function keepForOffline(): Promise<void> {
  if (!("serviceWorker" in navigator)) return;
  const isControlled = navigator.serviceWorker.controller !== null;
  navigator.serviceWorker.addEventListener("controllerchange", () => {
    // The version that this page was made by is gone with its files. What is half-typed is kept as drafts.
    if (isControlled) window.location.reload();
  });
  try {
    const registration = await navigator.serviceWorker.register("/sw.js", { updateViaCache: "none" });
    if (registration.waiting && isControlled) tell(registration.waiting);
    registration.addEventListener("updatefound", () => {
      const coming = registration.installing;
      coming?.addEventListener("statechange", () => {
        if (coming.state === "installed" && navigator.serviceWorker.controller) tell(coming);
        if (coming.state === "redundant" && waiting === coming) tell(null);
      });
    });
  } catch {
    // Refused, as in a private window: said nowhere, since nothing that works is lost by it.
  }
}
