import { StrictMode, startTransition } from "react";
import { hydrateRoot } from "react-dom/client";
import { RouterContextProvider } from "react-router";
import { HydratedRouter } from "react-router/dom";
import type { Instant } from "#core/kernel";
import { browserKeyTabs, browserNeighbours, openLocalShelves, Repository } from "#storage";
import { readForeign, stretcher } from "../workers/client";
import { repositoryContext } from "./context";
import { inTurns } from "./ui/hooks/in-turns";
import { keepForOffline } from "./new-version";
import { readForeignWith } from "./ui/work/foreign/kept-pages";

/** How often a course looks for what is due to be released, in milliseconds. */
const LOOK_EVERY = 20_000;

async function openRepository(): Promise<Repository> {
  // Asking for lasting storage may be refused; the course file is the way out then.
  void navigator.storage.persist().catch(() => false);
  return Repository.open(await openLocalShelves(), browserNeighbours(), {
    now: () => new Date().toISOString() as Instant,
    fresh: () => crypto.randomUUID(),
    often: (act) => {
      const timer = setInterval(act, LOOK_EVERY);
      return () => {
        clearInterval(timer);
      };
    },
    inTurns,
    stretcher,
    keyTabs: browserKeyTabs(),
  });
}

readForeignWith(readForeign);
const repository = openRepository();
// The pages that need it report the failure; this only keeps it from counting as unhandled.
repository.catch(() => null);

// When the page has nothing else to do: the first visit is not to wait for what later visits need.
if (import.meta.env.PROD) requestIdleCallback(() => void keepForOffline(), { timeout: 10_000 });

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <HydratedRouter
        getContext={() => {
          const context = new RouterContextProvider();
          context.set(repositoryContext, repository);
          return context;
        }}
      />
    </StrictMode>,
  );
});
