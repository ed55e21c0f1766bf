import { useEffect, useSyncExternalStore, type ReactNode } from "react";
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration, useLocation } from "react-router";
import type { Route } from "./+types/root";
import "./app.css";
import { ignoreStrayFiles } from "./ui/files/stray-files";
import { AskAgain } from "./ui/ways/ask-again";
import { HintLayer } from "./ui/parts/hint-layer";
import { isNewVersionWaiting, onNewVersion, takeNewVersion } from "./new-version";
import { NewVersion } from "./ui/parts/new-version";
import { Trouble } from "./ui/parts/trouble";

export function Layout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>Upright Quill</title>
        <link rel="icon" href="/quill.svg" type="image/svg+xml" />
        <link rel="manifest" href="/app.webmanifest" />
        <meta name="theme-color" content="#FAF7F0" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  );
}

export function HydrateFallback() {
  return (
    <main className="grid min-h-screen place-items-center">
      <p className="font-serif text-lg text-soft">Opening the desk</p>
    </main>
  );
}

export const shouldRevalidate = () => false;

/** Says on the page which place it shows, once that is drawn and answers to the hand. */
function Ready() {
  const { pathname, search } = useLocation();
  useEffect(() => {
    document.documentElement.dataset.ready = pathname + search;
  }, [pathname, search]);
  return null;
}

export default function Root() {
  const isNewer = useSyncExternalStore(onNewVersion, isNewVersionWaiting, () => false);
  useEffect(ignoreStrayFiles, []);
  return (
    <>
      <AskAgain>
        <Outlet />
      </AskAgain>
      <Ready />
      <HintLayer />
      {isNewer && <NewVersion onUse={takeNewVersion} />}
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (isRouteErrorResponse(error)) {
    return <Trouble what={String(error.data || error.statusText)} mend="Go back to the course and choose again." />;
  }
  const newer = error instanceof Error && error.name === "NewerStorageError";
  return newer ? (
    <Trouble
      what="The courses in this browser were kept by a newer Upright Quill."
      mend="Open them with that newer one. Nothing was touched here."
    />
  ) : (
    <Trouble
      what={error instanceof Error ? error.message : "Something went wrong."}
      mend="Reload the page. What was kept is still kept."
    />
  );
}
