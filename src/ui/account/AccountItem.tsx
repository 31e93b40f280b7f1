import type { ReactNode } from "react";

import type { AccountFacts } from "@/contracts/customers";
import type { Day } from "@/core/calendar";
import type { Currency } from "@/core/money";

import type { AccountWords } from "./words";

type AccountItemProps = {
  base: string;
  day: (on: Day) => string;
  item: AccountFacts["parts"][number]["open"][number];
  late: number;
  part: AccountFacts["parts"][number];
  sum: (amount: number, currency: Currency) => string;
  words: AccountWords;
};

/** An open item as its customer sees it, with its paper and its data. */
export function AccountItem({
  base,
  day,
  item,
  late,
  part,
  sum,
  words,
}: AccountItemProps): ReactNode {
  return (
    <tr>
      <td data-narrow="who">
        <b data-strong>{item.number}</b>
      </td>
      <td data-narrow="what">
        {item.kind === "credit_note" ? words.credit : (item.description ?? "")}
        {item.site ? <span data-tone="soft"> {item.site}</span> : null}
      </td>
      <td>{day(item.issuedOn)}</td>
      <td data-narrow="state" data-label={item.kind === "credit_note" ? undefined : words.due}>
        {item.kind === "credit_note" ? (
          ""
        ) : (
          <>
            {day(item.dueOn)}
            {late > 0 ? <span data-tone="off"> {words.late(late)}</span> : null}
          </>
        )}
      </td>
      <td data-numeric data-sum>
        {sum(item.total, part.currency)}
      </td>
      <td data-numeric data-sum data-narrow="sum">
        {sum(item.balance, part.currency)}
      </td>
      <td data-numeric data-narrow="more">
        <a href={`${base}/invoices/${item.id}`} aria-label={`${words.paper} ${item.number}`}>
          {words.paper}
        </a>
        {item.written ? (
          <>
            {" "}
            <a href={`${base}/invoices/${item.id}?as=csv`} aria-label={`CSV ${item.number}`}>
              CSV
            </a>{" "}
            <a href={`${base}/invoices/${item.id}?as=ubl`} aria-label={`UBL ${item.number}`}>
              UBL
            </a>
          </>
        ) : null}
      </td>
    </tr>
  );
}
