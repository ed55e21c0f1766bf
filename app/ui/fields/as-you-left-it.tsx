/** Says that what stands in a field is not kept yet and was found as one left it. */
export function AsYouLeftIt({ more, onClear }: { readonly more?: string; readonly onClear?: () => void }) {
  return (
    <p role="status" className="mt-1 text-[13px] text-ochre">
      As you left it{more ? `: ${more}` : ""}
      {onClear && (
        <>
          {" · "}
          <button type="button" className="link" onClick={onClear}>
            Clear it
          </button>
        </>
      )}
    </p>
  );
}
