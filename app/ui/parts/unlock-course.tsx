import { useEffect, useState } from "react";
import { Link, useFetcher, useLocation, useNavigate } from "react-router";
import { MaskedInput } from "../fields/masked-input";

interface UnlockProps {
  readonly slot: string;
  /** What it is called while it is locked. */
  readonly label: string;
  /** There is a recovery sheet for it. */
  readonly hasRecovery: boolean;
}

/** In the place of a page whose course is locked: nothing of the course, and how to open it. */
export default function UnlockCourse({ slot, label, hasRecovery }: UnlockProps) {
  const unlock = useFetcher<{ readonly trouble: string | null }>();
  const [byCode, setByCode] = useState(false);
  const isTrying = unlock.state !== "idle";
  const isOpen = unlock.data?.trouble === null;
  const navigate = useNavigate();
  const location = useLocation();
  useEffect(() => {
    // The page that could not open is asked for again, in its own place.
    if (isOpen) void navigate(location, { replace: true });
    // oxlint-disable-next-line react/exhaustive-deps -- once, when it opens
  }, [isOpen]);
  return (
    <main className="mx-auto grid min-h-[70vh] max-w-md content-center gap-4 p-8">
      <title>Locked · Upright Quill</title>
      <h1 className="page-title">{label}</h1>
      <p className="text-soft">It is locked. Nothing of it can be read without its passphrase.</p>
      <unlock.Form method="post" action={`/unlock/${slot}`} className="grid gap-3">
        <label>
          <span className="block text-[13px] text-soft">
            {byCode ? "The code of its recovery sheet" : "Its passphrase"}
          </span>
          <MaskedInput
            key={String(byCode)}
            shown={byCode}
            className="w-full"
            name={byCode ? "code" : "passphrase"}
            autoFocus
            required
          />
        </label>
        <p className="flex items-center gap-4">
          <button type="submit" className="act act-first" disabled={isTrying}>
            Unlock
          </button>
          <span role="status" className="text-[14px] text-soft">
            {isTrying && "Trying it"}
          </span>
        </p>
        {!isTrying && unlock.data?.trouble && (
          <p role="alert" className="text-wax">
            {unlock.data.trouble}
          </p>
        )}
      </unlock.Form>
      <p className="flex flex-wrap justify-start gap-x-5 gap-y-2 text-[14px] whitespace-nowrap">
        {hasRecovery && (
          <button
            type="button"
            className="link"
            onClick={() => {
              setByCode(!byCode);
            }}
          >
            {byCode ? "Open it with the passphrase" : "Open it with the recovery sheet"}
          </button>
        )}
        <Link className="link" to="/courses">
          All courses in this browser
        </Link>
      </p>
    </main>
  );
}
