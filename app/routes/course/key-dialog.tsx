import { DialogFrame } from "../../ui/dialogs/dialog-frame";
import { KEY_LIST } from "../../ui/keys/key-list";

/** All keys, by where they act. Loaded when it is first asked for. */
export default function KeyDialog({ onClose }: { readonly onClose: () => void }) {
  return (
    <DialogFrame title="Keys" width="full" onClose={onClose}>
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
    </DialogFrame>
  );
}
