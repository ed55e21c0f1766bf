import { Link } from "react-router";

/** A page that cannot be shown: what happened, how to mend it, and the way back. */
export function Trouble({ what, mend }: { readonly what: string; readonly mend: string }) {
  return (
    <main className="mx-auto grid min-h-[60vh] max-w-xl content-center gap-3 p-8">
      <h1 className="page-title">This page cannot be shown</h1>
      <p>{what}</p>
      <p className="text-soft">{mend}</p>
      <p className="flex gap-5">
        <Link className="link" to="/">
          Back to the course
        </Link>
        <Link className="link" to="/courses">
          All courses in this browser
        </Link>
      </p>
    </main>
  );
}
