import { Link } from "react-router";

/** In a course without any work to hand in: how to begin. */
export function NothingToCollect({ slot }: { readonly slot: string }) {
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Collect · Upright Quill</title>
      <h1 className="page-title">Collect</h1>
      <p className="mt-6 max-w-prose text-soft">
        There is nothing yet that work could be handed in for. Begin with an assignment under{" "}
        <Link className="link" to={`/courses/${slot}/plan`}>
          Plan
        </Link>
        .
      </p>
    </main>
  );
}
