import { Link } from "react-router";

/** The head of a page that hangs under a step of the work: the way back, and its name. */
export function UnderStep({
  to,
  step,
  title,
}: {
  readonly to: string;
  readonly step: "Release" | "Collect";
  readonly title: string;
}) {
  return (
    <>
      <p className="text-[14px]">
        <Link className="link" to={to}>
          {step}
        </Link>
      </p>
      <h1 className="page-title">{title}</h1>
    </>
  );
}
