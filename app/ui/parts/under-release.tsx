import { Link } from "react-router";

/** The head of a page that belongs to Release: the way back, and its name. */
export function UnderRelease({ to, title }: { readonly to: string; readonly title: string }) {
  return (
    <>
      <p className="text-[14px]">
        <Link className="link" to={to}>
          Release
        </Link>
      </p>
      <h1 className="page-title">{title}</h1>
    </>
  );
}
