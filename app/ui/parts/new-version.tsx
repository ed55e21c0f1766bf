/** Says that a newer version of the application waits, and lets it take over. */
export function NewVersion({ onUse }: { readonly onUse: () => void }) {
  return (
    <p
      role="status"
      className="fixed bottom-4 left-4 z-30 flex items-baseline gap-3 rounded border border-rule bg-sheet px-3 py-2 text-[14px] shadow-lg print:hidden"
    >
      A new version is here. It opens when all tabs of Upright Quill are closed.
      <button type="button" className="link" onClick={onUse}>
        Use it now
      </button>
    </p>
  );
}
