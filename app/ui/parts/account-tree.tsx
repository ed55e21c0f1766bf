import type { Account } from "#core/totals";
import { accountName, ruleWords, whyWords, type NameOf } from "../words/account-words";
import { inMark } from "../words/figures";

interface AccountTreeProps {
  readonly account: Account;
  readonly nameOf: NameOf;
  /** Levels that stand open from the start. */
  readonly open?: number;
  /** The id of the figure this one is part of. */
  readonly above?: string | null;
}

/** How a figure came about, from the total down to what was entered; each part can be opened. */
export function AccountTree({ account, nameOf, open = 1, above = null }: AccountTreeProps) {
  const { parts, leftOut } = account;
  const head = (
    <>
      <span className="figures float-right ms-3 font-semibold">
        {inMark(account.shown) ?? "nothing yet"}
        {account.shown !== null && account.unit === "percent" && " %"}
      </span>
      <span>{accountName(account, nameOf, above)}</span> <span className="text-soft">{ruleWords(account, nameOf)}</span>
    </>
  );
  if (parts.length === 0 && leftOut.length === 0) return <div className="py-0.5 ps-4 text-[13.5px]">{head}</div>;
  return (
    <details open={open > 0} className="text-[13.5px]">
      <summary className="py-0.5">{head}</summary>
      <ul className="ms-1.5 border-s border-rule ps-2.5">
        {parts.map((part, index) => (
          <li key={`${part.account.id}-${String(index)}`}>
            <AccountTree account={part.account} nameOf={nameOf} open={open - 1} above={account.id} />
          </li>
        ))}
        {leftOut.map(({ account: out, why }, index) => (
          <li key={`${out.id}-out-${String(index)}`} className="py-0.5 ps-4 text-soft">
            {accountName(out, nameOf, account.id)}{" "}
            {out.shown !== null && <s className="figures">{inMark(out.shown)}</s>} left out: {whyWords(why)}
          </li>
        ))}
      </ul>
    </details>
  );
}
