export function Legend() {
  const items = [
    ["bg-green", "released"],
    ["bg-green-wash", "scored, sealed"],
    ["bg-ochre-wash", "waiting"],
    ["bg-table", "excused"],
    ["hatched", "not in"],
  ] as const;
  return (
    <p className="mt-5 flex flex-wrap gap-x-5 gap-y-1 text-[13px] text-soft">
      {items.map(([look, word]) => (
        <span key={word} className="inline-flex items-center gap-1.5">
          <span aria-hidden="true" className={`inline-block size-3 border border-rule ${look}`} />
          {word}
        </span>
      ))}
    </p>
  );
}
