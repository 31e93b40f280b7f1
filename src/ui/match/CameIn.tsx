"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { MatchRow, MatchWorkings, ShownReason } from "@/contracts/match";
import { type Day, formatDay } from "@/core/calendar";
import { piecesOf } from "@/core/matching";
import { type Currency, formatAmount } from "@/core/money";

import { Amount } from "../kit/Amount";
import { CameInLine } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

/** What came in, word by word, with what the reading rests on marked in place. */
export function CameIn({
  row,
  workings,
  reasons,
  currency,
  today,
}: {
  row: MatchRow;
  workings: MatchWorkings;
  reasons: readonly ShownReason[];
  currency: Currency;
  today: Day;
}): ReactNode {
  const field = (name: ShownReason["field"], text: ReactNode): ReactNode => {
    const reason = reasons.find((reason) => reason.field === name);
    return reason ? (
      <mark data-against={reason.against || undefined} title={reason.words}>
        {text}
      </mark>
    ) : (
      text
    );
  };
  return (
    <CameInLine>
      <span data-sum>{field("sum", <Amount of={workings.amount} currency={currency} />)}</span> by{" "}
      {row.method}
      {workings.number ? ` ${workings.number}` : ""} on {formatDay(row.paidOn, today)}
      {workings.from ? (
        <>
          {" "}
          from <b data-strong>{field("name", workings.from)}</b>
        </>
      ) : null}
      {workings.email ? <> {field("email", workings.email)}</> : null}
      {workings.memo ? (
        <>
          : “<MarkedMemo memo={workings.memo} reasons={reasons} />”
        </>
      ) : (
        <span data-tone="soft">, without a memo</span>
      )}
      {workings.remittance.length > 0 ? (
        <>
          {" "}
          <span data-tone="soft">Its remittance:</span>{" "}
          {workings.remittance
            .slice(0, 12)
            .map((line) => `${line.number} ${formatAmount(line.amount, currency)}`)
            .join(", ")}
          {workings.remittance.length > 12 ? ` and ${workings.remittance.length - 12} more` : ""}
        </>
      ) : null}
    </CameInLine>
  );
}

function MarkedMemo({
  memo,
  reasons,
}: {
  memo: string;
  reasons: readonly ShownReason[];
}): ReactNode {
  const spots = reasons.flatMap((reason) => reason.spots.map((spot) => ({ ...spot, reason })));
  return piecesOf(memo, spots).map(({ text, mark }, at) => {
    const reason = mark === null ? undefined : spots[mark]?.reason;
    return reason ? (
      <mark key={at} data-against={reason.against || undefined} title={reason.words}>
        {text}
      </mark>
    ) : (
      <span key={at}>{text}</span>
    );
  });
}

/** Two payments that look like one made twice, side by side. */
export function TwinTable({
  row,
  workings,
  currency,
  today,
}: {
  row: MatchRow;
  workings: MatchWorkings;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { book } = useActing();
  const { twin } = workings;
  if (twin === null) return null;
  const facts: readonly (readonly [string, string, string])[] = [
    ["By", twin.method, row.method],
    ["From", twin.from, row.from],
    ["Memo", twin.memo || "–", row.memo],
    ["Sum", formatAmount(twin.amount, currency), formatAmount(workings.amount, currency)],
  ];
  const alike = facts
    .filter(([, first, second]) => first === second)
    .map(([words]) => words.toLowerCase());
  // What is the same is said once: the eye looks for what is not.
  const lines = [
    ["Paid", formatDay(twin.paidOn, today), formatDay(row.paidOn, today)] as const,
    ...facts.filter(([, first, second]) => first !== second),
    ["It", twin.became, "kept from that"] as const,
  ];
  return (
    <DetailTable wrapped aria-label="Paid twice?">
      <thead>
        <tr>
          <th data-tone="waits" scope="col">
            Paid twice?
          </th>
          <th scope="col">
            <NextLink href={`/b/${book}/receipts/${twin.receiptId}`}>The earlier one</NextLink>
          </th>
          <th scope="col">This one</th>
        </tr>
      </thead>
      <tbody>
        {lines.map(([words, first, second]) => (
          <tr key={words}>
            <td data-tone="soft">{words}</td>
            <td>{first}</td>
            <td>{second}</td>
          </tr>
        ))}
        {alike.length > 0 ? (
          <tr>
            <td data-tone="soft">Alike</td>
            <td data-tone="waits" colSpan={2}>
              {alike.join(", ")}
            </td>
          </tr>
        ) : null}
        <tr>
          <td data-tone="soft">Open</td>
          <td colSpan={2}>{twin.open}</td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
