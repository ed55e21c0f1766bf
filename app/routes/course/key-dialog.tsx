import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { KEY_LIST } from "../../ui/keys/key-list";

/** All keys, by where they act. Loaded when it is first asked for. */
export default function KeyDialog({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={onClose}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[86vh] w-[min(880px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded border border-rule bg-sheet p-6 shadow-xl"
        >
          <div className="flex items-start justify-between">
            <Dialog.Title className="page-title">Keys</Dialog.Title>
            <Dialog.Close aria-label="Close" className="grid size-8 place-items-center rounded hover:bg-table">
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <div className="mt-3 gap-8 sm:columns-2">
            {Object.values(KEY_LIST).map(({ title, rows }) => (
              <section key={title} className="mb-5 break-inside-avoid">
                <h3 className="border-b border-rule pb-1 text-sm font-semibold">{title}</h3>
                <dl className="mt-1 text-sm">
                  {rows.map(({ shown, does }) => (
                    <div key={shown + does} className="grid grid-cols-[8rem_1fr] gap-2 py-0.5">
                      <dt className="font-semibold">{shown}</dt>
                      <dd className="text-soft">{does}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
