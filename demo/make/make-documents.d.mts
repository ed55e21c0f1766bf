/** Makes the documents of the demo course in a folder and answers their list. */
export declare function makeDocuments(target?: string): Promise<unknown[]>;
