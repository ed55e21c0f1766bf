/** The value of bytes that hold it as JSON. @throws SyntaxError where they were cut short */
export const unpack = (bytes: Uint8Array): unknown => JSON.parse(new TextDecoder().decode(bytes));
