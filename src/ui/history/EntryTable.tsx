import NextLink from "next/link";
import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";
import { formatAmount, type Minor } from "@/core/money";

import { Sum } from "../kit/Amount";
import type { Around, EntryView } from "./types";

/** One entry of the journal: what it comes from, its debits and credits, and what it undoes or is undone by. */
export function EntryTable({
  entry,
  book,
  currency,
  today,
}: Around & { entry: EntryView }): ReactNode {
  const base = `/b/${book}`;
  const amount = (sum: Minor | null): string => (sum === null ? "" : formatAmount(sum, currency));
  const undone = entry.reversedBy !== null;
  return (
    <table className="small" style={{ marginBottom: 8 }} aria-label={`Entry ${entry.id}`}>
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
              <span className="waits">
                {" "}
                for {formatDay(entry.datedFor, today)}, which is closed
              </span>
            ) : null}
            {entry.reverses !== null ? (
              <span className="waits">
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
              <span className="waits">
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
          <th scope="col" className="num" style={{ width: 110 }}>
            debit
          </th>
          <th scope="col" className="num" style={{ width: 110 }}>
            credit
          </th>
        </tr>
      </thead>
      <tbody>
        {entry.lines.map((line, at) => (
          <tr key={at} className={undone ? "soft" : undefined}>
            <td style={line.credit !== null ? { paddingLeft: 22 } : undefined}>
              <NextLink
                href={`${base}/books?view=account&account=${line.accountId}`}
                prefetch={false}
              >
                {line.code} {line.name}
              </NextLink>
              {line.href && line.href !== entry.documentHref ? (
                <span className="soft">
                  {" "}
                  ·{" "}
                  <NextLink href={`${base}/${line.href}`} prefetch={false}>
                    {nameOf(line.href)}
                  </NextLink>
                </span>
              ) : null}
              {line.own === null ? null : (
                <span className="soft">
                  {" "}
                  · <Sum of={line.own.amount} currency={line.own.currency} />
                </span>
              )}
            </td>
            <td className="num sum">{amount(line.debit)}</td>
            <td className="num sum">{amount(line.credit)}</td>
          </tr>
        ))}
      </tbody>
    </table>
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
