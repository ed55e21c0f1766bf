import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

/** A window over the page that asks for something: a title, a sentence, and what stands below; Escape closes it. */
export function DialogFrame({
  title,
  detail,
  wide = false,
  onClose,
  children,
}: {
  readonly title: string;
  readonly detail: string;
  readonly wide?: boolean;
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
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          className={`fixed top-1/2 left-1/2 z-50 max-h-[86vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded border border-rule bg-sheet p-6 shadow-xl ${wide ? "w-[min(640px,94vw)]" : "w-[min(460px,94vw)]"}`}
        >
          <Dialog.Title className="font-serif text-[20px] font-semibold">{title}</Dialog.Title>
          <Dialog.Description className="figures mt-1 text-[14.5px] text-soft">{detail}</Dialog.Description>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
