import { useEffect } from "react";

/** While something typed is not kept yet, the browser asks before the page is left. */
export function useUnkept(unkept: boolean): void {
  useEffect(() => {
    if (!unkept) return;
    const ask = (event: BeforeUnloadEvent) => {
      event.preventDefault();
    };
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("beforeunload", ask);
    };
  }, [unkept]);
}
