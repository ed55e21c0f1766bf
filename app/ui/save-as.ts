/** Time for a download to begin before its address is given up, in milliseconds. */
const KEEP_ADDRESS = 60_000;

/** Hands a file to the person through the browser's download. */
export function saveAs(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => {
    URL.revokeObjectURL(address);
  }, KEEP_ADDRESS);
}
