import { useState } from "react";

/** Where a link of a work leads: to be read, and copied on wish. Nothing is opened from here. */
export function Address({
  address,
  left,
  top,
  onClose,
}: {
  readonly address: string;
  readonly left: number;
  readonly top: number;
  readonly onClose: () => void;
}) {
  const [copied, setCopied] = useState(false);
  return (
    // Escape closes it wherever in it the focus is.
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <div
      role="dialog"
      aria-label="Where this link leads"
      tabIndex={-1}
      className="absolute z-30 max-w-[90%] rounded border border-rule bg-sheet px-3 py-2 text-[13.5px] shadow-lg"
      style={{ left: Math.max(0, left), top: top + 4 }}
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.stopPropagation();
        onClose();
      }}
    >
      <p className="break-all">{address}</p>
      <p className="mt-1 flex gap-4">
        <button
          type="button"
          // It was asked for at this moment, by a click or a key.
          autoFocus
          className="link"
          onClick={() => {
            void navigator.clipboard.writeText(address).then(
              () => {
                setCopied(true);
              },
              () => null,
            );
          }}
        >
          {copied ? "Copied" : "Copy the address"}
        </button>
        <button type="button" className="link" onClick={onClose}>
          Close
        </button>
      </p>
    </div>
  );
}
