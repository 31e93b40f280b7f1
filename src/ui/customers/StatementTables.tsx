"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { StatementPart } from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { DetailTable, Heads } from "../kit/tables";
import { AgeBar } from "../overdue/AgeBar";

export function OnePart({
  part,
  book,
  from,
  to,
  today,
}: { part: StatementPart; from: Day; to: Day } & BookFacts): ReactNode {
  const { currency } = part;
  return (
    <Halves ratio="5:4">
      <Section>
        <Subheading>
          What moved <span data-tone="soft">in {currency}</span>
        </Subheading>
        <Moved currency={currency} from={from} part={part} to={to} today={today} />
      </Section>
      <Section>
        <Subheading>
          Open <span data-tone="soft">{part.open.length}</span>
        </Subheading>
        <StandsOpen book={book} currency={currency} part={part} to={to} today={today} />
        <AgeBar aging={part.aging} currency={currency} words />
      </Section>
    </Halves>
  );
}
type MovedProps = {
  currency: Currency;
  from: Day;
  part: StatementPart;
  to: Day;
  today: Day;
};
function Moved({ currency, from, part, to, today }: MovedProps): ReactNode {
  return (
    <DetailTable aria-label={`What moved in ${currency}`}>
      <Heads of={["Day", "What", { number: "Amount" }, { number: "Balance" }]} />
      <tbody>
        <tr>
          <td data-tone="soft">{formatDay(from, today)}</td>
          <td data-tone="soft">opening balance</td>
          <td />
          <td data-numeric>
            <Amount of={part.opening} currency={currency} />
          </td>
        </tr>
        {part.lines.map((line, at) => (
          <tr key={at}>
            <td data-tone="soft">{formatDay(line.on, today)}</td>
            <td title={line.words}>{line.words}</td>
            <td data-numeric>
              <Amount of={line.amount} currency={currency} />
            </td>
            <td data-numeric>
              <Amount of={line.balance} currency={currency} />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">{formatDay(to, today)}</td>
          <td data-tone="soft">closing balance</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={part.closing} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
type StandsOpenProps = {
  book: string;
  currency: Currency;
  part: StatementPart;
  to: Day;
  today: Day;
};
function StandsOpen({ book, currency, part, to, today }: StandsOpenProps): ReactNode {
  return (
    <DetailTable aria-label={`Open in ${currency}`}>
      <tbody>
        {part.open.map((item) => (
          <tr key={item.id}>
            <td>
              <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                <b data-strong>{item.number}</b>
              </NextLink>{" "}
              <span data-tone="soft">
                {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
              </span>
            </td>
            <td data-tone={item.balance > 0 && item.dueOn < to ? "off" : "soft"}>
              {item.kind === "credit_note" ? "" : `due ${formatDay(item.dueOn, today)}`}
            </td>
            <td data-numeric>
              <Amount of={item.balance} currency={currency} />
            </td>
          </tr>
        ))}
        {part.onAccount === 0 ? null : (
          <tr>
            <td>On account</td>
            <td />
            <td data-numeric>
              <Amount of={part.onAccount} currency={currency} />
            </td>
          </tr>
        )}
        <tr>
          <td data-tone="soft">together</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={part.closing} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
