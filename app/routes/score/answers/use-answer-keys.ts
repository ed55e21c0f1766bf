import { isOnControl } from "../../../ui/keys/typing";
import { useKeys } from "../../../ui/keys/use-keys";

interface AnswerKeys {
  /** Points of the question; a digit above them says nothing. */
  readonly maximum: number;
  readonly points: (digit: number) => void;
  readonly open: () => void;
  readonly move: (by: 1 | -1) => void;
  readonly type: () => void;
  readonly question: (by: 1 | -1) => void;
  readonly names: () => void;
}

/** Keys of one question over all answers: a digit gives so many points and brings the next answer. */
export function useAnswerKeys(keys: AnswerKeys): void {
  useKeys("answers", {
    points: (digit) => {
      if (digit > keys.maximum) return false;
      keys.points(digit);
      return true;
    },
    typePoints: (_, event) => {
      if (isOnControl(event)) return false;
      keys.type();
      return true;
    },
    answerBefore: () => {
      keys.move(-1);
    },
    answerAfter: () => {
      keys.move(1);
    },
    openAgain: keys.open,
    questionBefore: () => {
      keys.question(-1);
    },
    questionAfter: () => {
      keys.question(1);
    },
    names: keys.names,
  });
}
