import { X } from "lucide-react";
import { useEffect, useRef, type ReactNode } from "react";
import { isTyping } from "../../../../ui/keys/typing";
import { useCurrent } from "../../../../ui/hooks/use-latest";

/** The side pane of the gradebook: the full story of a figure, or of a column. */
export function Pane({
  label,
  title,
  subtitle,
  onClose,
  onBack,
  children,
}: {
  readonly label: string;
  readonly title: ReactNode;
  readonly subtitle: string;
  readonly onClose: () => void;
  /** Escape in the pane goes back to the cell; the pane stays, and what is typed in it is kept. */
  readonly onBack: () => void;
  readonly children: ReactNode;
}) {
  const close = useRef<HTMLButtonElement>(null);
  const pane = useRef<HTMLElement>(null);
  const leaving = useCurrent({ onClose, onBack });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "Escape" || event.defaultPrevented) return;
      if (pane.current?.contains(event.target as Node)) leaving.current.onBack();
      else if (!isTyping(event.target)) leaving.current.onClose();
    };
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, [leaving]);
  return (
    <aside
      ref={pane}
      aria-label={label}
      className="w-[330px] shrink-0 overflow-auto border-s border-rule bg-paper ps-5 pb-6"
    >
      <div className="flex items-start justify-between gap-2">
        <div>
          <h2 className="font-serif text-[19px] leading-tight font-semibold">{title}</h2>
          <p className="text-[13.5px] text-soft">{subtitle}</p>
        </div>
        <button
          ref={close}
          type="button"
          aria-label="Close"
          className="grid size-8 place-items-center rounded hover:bg-table"
          onClick={onClose}
        >
          <X size={17} aria-hidden="true" />
        </button>
      </div>
      {children}
    </aside>
  );
}
