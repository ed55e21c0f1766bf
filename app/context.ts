import { createContext } from "react-router";
import type { Repository } from "#storage";

/** The repository of this tab; a promise, so that a store that cannot be opened fails where a page can say so. */
export const repositoryContext = createContext<Promise<Repository>>();
