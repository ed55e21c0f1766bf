import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

const WIDTHS = { small: "w-[min(460px,94vw)]", wide: "w-[min(640px,94vw)]", full: "w-[min(960px,94vw)]" } as const;

/** A window over the page: a title, a sentence if one is needed, and what stands below; Escape closes it. */
export function DialogFrame({
  title,
  detail,
  width = "small",
  onClose,
  children,
}: {
  readonly title: string;
  readonly detail?: string;
  /** A `full` one is for reading, and has its own way out beside the title. */
  readonly width?: keyof typeof WIDTHS;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="shade" />
        <Dialog.Content
          {...(detail === undefined && { "aria-describedby": undefined })}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[86vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded border border-rule bg-sheet p-6 shadow-xl ${WIDTHS[width]}`}
        >
          <Dialog.Title className="font-serif text-[20px] font-semibold">{title}</Dialog.Title>
          {width === "full" && (
            <Dialog.Close
              aria-label="Close"
              className="absolute top-4 right-4 grid size-8 place-items-center rounded text-soft hover:bg-table"
            >
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          )}
          {detail !== undefined && (
            <Dialog.Description className="figures mt-1 text-[14.5px] text-soft">{detail}</Dialog.Description>
          )}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The way out of a window without anything done. */
export const LeaveAsItIs = () => <Dialog.Close className="act act-quiet">Leave as it is</Dialog.Close>;
