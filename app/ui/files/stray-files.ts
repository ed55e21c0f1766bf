/** A file let go beside every place for files must not be opened by the browser in place of the application. Returns how to end it. */
export function ignoreStrayFiles(): () => void {
  const ignore = (event: DragEvent) => {
    if (event.dataTransfer?.types.includes("Files")) event.preventDefault();
  };
  window.addEventListener("dragover", ignore);
  window.addEventListener("drop", ignore);
  return () => {
    window.removeEventListener("dragover", ignore);
    window.removeEventListener("drop", ignore);
  };
}
