import NextLink from "next/link";
import type { ReactNode } from "react";

import type { EntryLineView, EntryView } from "@/contracts/history";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { formatAmount, type Minor } from "@/core/money";

import { Amount } from "../kit/Amount";
import { DetailTable, HeadCell } from "../kit/tables";

/** One entry of the journal: what it comes from, its debits and credits, and what it undoes or is undone by. */
export function EntryTable({
  entry,
  book,
  currency,
  today,
}: BookFacts & { entry: EntryView }): ReactNode {
  const base = `/b/${book}`;
  const amount = (sum: Minor | null): string => (sum === null ? "" : formatAmount(sum, currency));
  const undone = entry.reversedBy !== null;
  return (
    <DetailTable marginBottom="8px" aria-label={`Entry ${entry.id}`}>
      <thead>
        <tr>
          <th scope="col">
            <NextLink href={`${base}/books?view=journal&open=${entry.id}`} prefetch={false}>
              {entry.id}
            </NextLink>{" "}
            {formatDay(entry.postedOn, today)}
            {entry.document.startsWith(entry.event) ? "" : `, ${entry.event}`}
            {entry.documentHref ? (
              <>
                ,{" "}
                <NextLink href={`${base}/${entry.documentHref}`} prefetch={false}>
                  {entry.document}
                </NextLink>
              </>
            ) : (
              <>, {entry.document}</>
            )}
            {entry.datedFor !== null ? (
              <span data-tone="waits">
                {" "}
                for {formatDay(entry.datedFor, today)}, which is closed
              </span>
            ) : null}
            {entry.reverses !== null ? (
              <span data-tone="waits">
                {" "}
                undoes{" "}
                <NextLink
                  href={`${base}/books?view=journal&open=${entry.reverses}`}
                  prefetch={false}
                >
                  {entry.reverses}
                </NextLink>
              </span>
            ) : null}
            {undone ? (
              <span data-tone="waits">
                {" "}
                undone by{" "}
                <NextLink
                  href={`${base}/books?view=journal&open=${entry.reversedBy ?? 0}`}
                  prefetch={false}
                >
                  {entry.reversedBy}
                </NextLink>
              </span>
            ) : null}
          </th>
          <HeadCell data-numeric width="110px" scope="col">
            debit
          </HeadCell>
          <HeadCell data-numeric width="110px" scope="col">
            credit
          </HeadCell>
        </tr>
      </thead>
      <tbody>
        {entry.lines.map((line, at) => (
          <EntryLine
            key={at}
            amount={amount}
            base={base}
            entry={entry}
            line={line}
            undone={undone}
          />
        ))}
      </tbody>
    </DetailTable>
  );
}

type EntryLineProps = {
  amount: (sum: Minor | null) => string;
  base: string;
  entry: EntryView;
  line: EntryLineView;
  undone: boolean;
};

function EntryLine({ amount, base, entry, line, undone }: EntryLineProps): ReactNode {
  return (
    <tr data-tone={undone ? "soft" : undefined}>
      <td data-indent={line.credit !== null || undefined}>
        <NextLink href={`${base}/books?view=account&account=${line.accountId}`} prefetch={false}>
          {line.code} {line.name}
        </NextLink>
        {line.href && line.href !== entry.documentHref ? (
          <span data-tone="soft">
            {" "}
            ·{" "}
            <NextLink href={`${base}/${line.href}`} prefetch={false}>
              {nameOf(line.href)}
            </NextLink>
          </span>
        ) : null}
        {line.own === null ? null : (
          <span data-tone="soft">
            {" "}
            · <Amount of={line.own.amount} currency={line.own.currency} />
          </span>
        )}
      </td>
      <td data-numeric data-sum>
        {amount(line.debit)}
      </td>
      <td data-numeric data-sum>
        {amount(line.credit)}
      </td>
    </tr>
  );
}

const NAMES: Record<string, string> = {
  invoices: "its open item",
  receipts: "its receipt",
  payouts: "its payout",
  lines: "its bank line",
};

function nameOf(href: string): string {
  return NAMES[href.split("/")[0] ?? ""] ?? "its document";
}
