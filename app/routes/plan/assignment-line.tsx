import type { KeyboardEvent } from "react";
import { Link } from "react-router";
import type { CategoryId } from "#core/kernel";
import { inAddress } from "../../ui/address";
import { MoreMenu, moveItems } from "../../ui/dialogs/more-menu";
import { keyOf } from "../../ui/keys/key-of";
import { actOn } from "../../ui/keys/use-keys";
import { useMoving } from "../../ui/order/moving";
import type { PlanLine } from "./rows";

interface LineProps {
  readonly line: PlanLine;
  readonly slot: string;
  readonly others: readonly { readonly id: CategoryId; readonly name: string }[];
  readonly onMoveBy: (by: -1 | 1) => void;
  readonly onMoveInto: (categoryId: CategoryId) => void;
  readonly onOpen: () => void;
  readonly onDuplicate: () => void;
  readonly onHide: () => void;
  readonly onRemove: () => void;
}

/** One assignment of the plan. It moves by its handle, or with Alt and the arrows on its name. */
export function AssignmentLine({ line, slot, others, ...on }: LineProps) {
  const { place, style, isHeld, handle } = useMoving(line.id, line.name);
  const onKeyDown = (event: KeyboardEvent) => {
    const moved = actOn(keyOf("plan", event.nativeEvent), {
      moveUp: () => {
        on.onMoveBy(-1);
      },
      moveDown: () => {
        on.onMoveBy(1);
      },
    });
    if (moved) event.preventDefault();
  };
  return (
    <li
      ref={place}
      style={style}
      className={`flex items-center gap-4 border-b border-rule py-2 ${isHeld ? "relative z-10 bg-green-wash" : ""}`}
    >
      <div className="-ms-2">{handle}</div>
      <div className="-ms-3 min-w-0 flex-1">
        <h3 className="font-serif text-[16.5px] font-semibold">
          <Link
            to={`/courses/${slot}/plan/assignments/${inAddress(line.id)}`}
            draggable={false}
            data-hint="Alt ↑ and Alt ↓ move it"
            onKeyDown={onKeyDown}
          >
            {line.name}
          </Link>
          {line.hidden && <span className="ms-2 font-sans text-[13px] font-normal text-soft">kept from students</span>}
        </h3>
        <p className="figures text-[13.5px] text-soft">{line.details.join(" · ")}</p>
      </div>
      <p className="figures w-72 text-right text-[13.5px]">
        {line.dateTrouble && <strong className="me-2 font-semibold text-ochre">{line.dateTrouble}</strong>}
        {line.due && <span className="text-soft">due {line.due}</span>}
      </p>
      <p className="figures w-20 text-right text-[13.5px] text-soft">
        {line.scored === 0 ? "" : `${String(line.scored)} scored`}
      </p>
      <MoreMenu
        label={`More for ${line.name}`}
        items={[
          { words: "Open", onSelect: on.onOpen },
          { words: "Duplicate", onSelect: on.onDuplicate },
          { words: line.hidden ? "Let students see it" : "Keep from students", onSelect: on.onHide },
          null,
          ...moveItems(on.onMoveBy, { up: "Alt ↑", down: "Alt ↓" }),
          ...others.map(({ id, name }) => ({
            words: `Move to ${name}`,
            onSelect: () => {
              on.onMoveInto(id);
            },
          })),
          null,
          { words: "Remove", onSelect: on.onRemove },
        ]}
      />
    </li>
  );
}
