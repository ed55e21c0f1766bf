import { saveAs } from "../../save-as";

/** In place of work that cannot be shown: what is wrong, what to do, and the file itself to save. */
export function Unreadable({
  name,
  blob,
  what,
  mend,
}: {
  readonly name: string;
  readonly blob: Blob;
  readonly what: string;
  readonly mend: string;
}) {
  return (
    <div role="alert" className="mx-auto mt-16 max-w-md border-s-2 border-wax bg-sheet p-5">
      <p className="font-semibold">{name} cannot be shown</p>
      <p className="mt-1">{what}</p>
      <p className="mt-1 text-soft">{mend} The file is kept as it came, and the score can be given all the same.</p>
      <p className="mt-3">
        <button
          type="button"
          className="link"
          onClick={() => {
            saveAs(blob, name);
          }}
        >
          Save the file
        </button>
      </p>
    </div>
  );
}
