import { useEffect } from "react";

interface Props {
  readonly styles: string;
}

/** A width that every element would inherit: with it the whole page is styled anew at each dialog. Nothing here asks for it. */
const INHERITED = /--removed-body-scroll-bar-size:[^;]*;/;

/**
 * Stands in for the package by which dialogs and menus hold the page still. That one puts a style element into the page,
 * which our policy forbids together with every other inline style; a constructed style sheet does the same and is allowed.
 * Several at a time share one sheet: the first one's rules stay until the last has gone.
 */
export function styleSingleton() {
  let users = 0;
  const sheet = new CSSStyleSheet();
  return function Styles({ styles }: Props): null {
    useEffect(() => {
      if (users === 0) {
        sheet.replaceSync(styles.replace(INHERITED, ""));
        document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
      }
      users += 1;
      return () => {
        users -= 1;
        if (users === 0) document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
      };
    }, [styles]);
    return null;
  };
}
