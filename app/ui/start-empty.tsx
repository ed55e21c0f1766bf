import { Form } from "react-router";

/** Starts a course with nothing in it but its name. */
export function StartEmpty() {
  return (
    <Form method="post" action="/courses" className="flex gap-2">
      <input
        name="title"
        required
        maxLength={200}
        aria-label="Name of the course"
        placeholder="Name of the course"
        className="field max-w-80"
      />
      <button type="submit" className="act">
        Start an empty course
      </button>
    </Form>
  );
}
