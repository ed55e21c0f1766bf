import { StrictMode, startTransition } from "react";
import { hydrateRoot } from "react-dom/client";
import { RouterContextProvider } from "react-router";
import { HydratedRouter } from "react-router/dom";
import type { Instant } from "#core/kernel";
import { browserNeighbours, openLocalShelves, Repository } from "#storage";
import { repositoryContext } from "./context";

async function openRepository(): Promise<Repository> {
  // Asking for lasting storage may be refused; the course file is the way out then.
  void navigator.storage.persist().catch(() => false);
  return Repository.open(await openLocalShelves(), browserNeighbours(), {
    now: () => new Date().toISOString() as Instant,
    fresh: () => crypto.randomUUID(),
  });
}

const repository = openRepository();
// The pages that need it report the failure; this only keeps it from counting as unhandled.
repository.catch(() => null);

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
