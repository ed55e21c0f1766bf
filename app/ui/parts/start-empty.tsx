import { Form } from "react-router";
import { MaskedInput } from "../fields/masked-input";

/** Starts a course with nothing in it but its name; who marks is asked for where that is not known yet. */
export function StartEmpty({
  markerName,
  asked = false,
}: {
  readonly markerName: string;
  /** Whoever comes for this types at once. */
  readonly asked?: boolean;
}) {
  return (
    <Form method="post" action="/courses" className="flex flex-wrap gap-2">
      <input
        name="title"
        required
        autoFocus={asked}
        maxLength={200}
        autoComplete="off"
        aria-label="Name of the course"
        placeholder="Name of the course"
        className="field max-w-80"
      />
      {markerName === "" && (
        <input
          name="marker"
          maxLength={200}
          autoComplete="name"
          aria-label="Your name, as students see it"
          placeholder="Your name, as students see it"
          className="field max-w-64"
        />
      )}
      <button type="submit" className="act">
        Start an empty course
      </button>
      <details className="w-full text-[14px]">
        <summary className="cursor-pointer text-soft">
          With a lock, so that nobody else reads it in this browser
        </summary>
        <p className="mt-2 max-w-prose text-soft">
          It is unreadable without its passphrase, from the first word on. Make a recovery sheet under Files, Lock:
          without both, nobody can read it again.
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          <MaskedInput
            name="passphrase"
            aria-label="Passphrase of the new course"
            placeholder="Its passphrase"
            className="max-w-64"
          />
          <MaskedInput
            name="again"
            aria-label="Passphrase of the new course, once more"
            placeholder="Once more"
            className="max-w-64"
          />
        </div>
      </details>
    </Form>
  );
}
