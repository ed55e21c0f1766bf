import { lazy, Suspense, useEffect, useState } from "react";

const NewsPlace = lazy(() => import("./toaster"));

/** The place of news on a page. It comes when the page has nothing else to do; what was said before is said then. */
export function NewsAtFoot() {
  const [isWanted, setWanted] = useState(false);
  useEffect(() => {
    const idle = requestIdleCallback(
      () => {
        setWanted(true);
      },
      { timeout: 2_000 },
    );
    return () => {
      cancelIdleCallback(idle);
    };
  }, []);
  return (
    isWanted && (
      <Suspense fallback={null}>
        <NewsPlace />
      </Suspense>
    )
  );
}
