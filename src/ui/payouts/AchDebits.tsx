"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { ExpectedPayments } from "@/contracts/payouts";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { formatAmount } from "@/core/money";

import { Amount } from "../kit/Amount";
import { DetailTable, Heads, NoneRow } from "../kit/tables";
import { percentWords } from "./fees";

type Rate = ExpectedPayments["rates"][number];
export type Props = BookFacts & ExpectedPayments;
const RATE_WORDS: Record<Rate["name"], string> = {
  unauthorized: "not authorized",
  administrative: "wrong accounts",
  all: "all returns",
};
type StartedDebitsProps = {
  book: Props["book"];
  started: Props["started"];
  today: Props["today"];
};
export function StartedDebits({ book, started, today }: StartedDebitsProps): ReactNode {
  return (
    <DetailTable aria-label="Debits on their way">
      <tbody>
        {started.map((entry) => (
          <tr key={entry.id}>
            <td>
              {entry.customerId === null ? (
                entry.from
              ) : (
                <NextLink href={`/b/${book}/customers/${entry.customerId}`} prefetch={false}>
                  {entry.from}
                </NextLink>
              )}
            </td>
            <td data-tone="soft">since {formatDay(entry.startedOn, today)}</td>
            <td data-numeric>
              <Amount of={entry.sum} currency={entry.currency} />
            </td>
          </tr>
        ))}
        <NoneRow of={started}>None.</NoneRow>
      </tbody>
    </DetailTable>
  );
}
type ReturnableDebitsProps = {
  currency: Props["currency"];
  returnable: Props["returnable"];
  sixty: Props["sixty"];
  today: Props["today"];
};
export function ReturnableDebits({
  currency,
  returnable,
  sixty,
  today,
}: ReturnableDebitsProps): ReactNode {
  return (
    <DetailTable aria-label="Debits that can still come back">
      <Heads of={["Settled", "Most returns until", { number: "Debits" }, { number: "Sum" }]} />
      <tbody>
        {returnable.map((row) => (
          <tr key={row.settledOn}>
            <td>{formatDay(row.settledOn, today)}</td>
            <td>{formatDay(row.until, today)}</td>
            <td data-numeric>{row.count}</td>
            <td data-numeric data-sum>
              {formatAmount(row.sum, currency)}
            </td>
          </tr>
        ))}
        {returnable.length === 0 ? (
          <tr>
            <td data-tone="soft" colSpan={4}>
              None within two banking days.
            </td>
          </tr>
        ) : null}
        <tr>
          <td data-tone="soft" colSpan={2}>
            if not authorized, 60 days
          </td>
          <td data-numeric>{sixty.count}</td>
          <td data-numeric data-sum>
            {formatAmount(sixty.sum, currency)}
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
type ReturnRatesProps = {
  rates: Props["rates"];
};
export function ReturnRates({ rates }: ReturnRatesProps): ReactNode {
  return (
    <DetailTable aria-label="Return rates">
      <tbody>
        {rates.map((rate) => (
          <tr key={rate.name}>
            <td>{RATE_WORDS[rate.name]}</td>
            <td data-tone="soft">
              {rate.returns} of {rate.debits}
            </td>
            <td data-numeric data-tone={rate.perMillion > rate.limitPerMillion ? "off" : undefined}>
              {percentWords(rate.perMillion)}
            </td>
            <td data-numeric data-tone="soft">
              at most {percentWords(rate.limitPerMillion)}
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
