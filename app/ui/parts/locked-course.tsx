import { lazy, Suspense, type ComponentProps } from "react";

const UnlockCourse = lazy(() => import("./unlock-course"));

/** In the place of a page whose course is locked; how to open it is fetched when it is needed. */
export const LockedCourse = (props: ComponentProps<typeof UnlockCourse>) => (
  <Suspense fallback={null}>
    <UnlockCourse {...props} />
  </Suspense>
);
