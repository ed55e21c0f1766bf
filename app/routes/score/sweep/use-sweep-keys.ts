import { isOnControl } from "../../../ui/keys/typing";
import { useKeys } from "../../../ui/keys/use-keys";

interface SweepKeys {
  readonly levels: number;
  readonly level: (digit: number) => void;
  readonly open: () => void;
  readonly notApplicable: () => void;
  readonly move: (by: number) => void;
  readonly type: () => void;
  readonly compare: () => void;
  readonly criterion: (by: number) => void;
  readonly names: () => void;
  readonly close: () => void;
}

/** Keys of the sweep: one digit judges a paper and brings the next. */
export function useSweepKeys(keys: SweepKeys): void {
  useKeys("sweep", {
    level: (digit) => {
      if (digit > keys.levels) return false;
      keys.level(digit);
      return true;
    },
    typePoints: (_, event) => {
      if (isOnControl(event)) return false;
      keys.type();
      return true;
    },
    paperBefore: () => {
      keys.move(-1);
    },
    paperAfter: () => {
      keys.move(1);
    },
    criterionBefore: () => {
      keys.criterion(-1);
    },
    criterionAfter: () => {
      keys.criterion(1);
    },
    compare: keys.compare,
    names: keys.names,
    notApplicable: keys.notApplicable,
    openAgain: keys.open,
    letGo: keys.close,
  });
}
