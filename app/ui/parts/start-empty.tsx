import { Form } from "react-router";

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
    <Form method="post" action="/courses" className="flex gap-2">
      <input
        name="title"
        required
        autoFocus={asked}
        maxLength={200}
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
    </Form>
  );
}
