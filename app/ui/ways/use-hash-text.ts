import { useState } from "react";

/**
 * A text kept behind the `#` of the address: it survives a reload like any other part, and browsers never send it to a
 * server, which matters for names that are being looked for.
 */
export function useHashText(name: string): [text: string, setText: (text: string) => void] {
  const [text, setText] = useState(() => new URLSearchParams(window.location.hash.slice(1)).get(name) ?? "");
  return [
    text,
    (next) => {
      setText(next);
      const { pathname, search } = window.location;
      const hash = next === "" ? "" : `#${new URLSearchParams({ [name]: next }).toString()}`;
      window.history.replaceState(window.history.state, "", pathname + search + hash);
    },
  ];
}
