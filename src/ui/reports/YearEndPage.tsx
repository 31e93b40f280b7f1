"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";
import { creditAgeWords } from "@/core/metrics";
import { formatAmount, sumOf } from "@/core/money";

import { Total } from "../kit/Amount";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { ReportTabs } from "./ReportTabs";
import { CashTable, GrossTable, type Props, TaxTable } from "./YearTables";

/**
 * What the year needs: gross by processor account and month, tax payable by code, income on the
 * cash basis, credit on account by age.
 */
export function YearEndPage(props: Props): ReactNode {
  const { year, gross, tax, cash, currency, book } = props;
  const amount = (of: number): string => formatAmount(of, currency, { dash: true });
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(
            sumOf(gross, ({ sum }) => sum),
            currency,
          )}{" "}
          <small>gross receipts by processors, {year}</small>
        </Title>
        <ReportTabs at="year" />
        <HeadingEnd>
          <NextLink href={`?show=year&year=${Number(year) - 1}`} prefetch={false}>
            year before
          </NextLink>
          <NextLink href={`?show=year&year=${Number(year) + 1}`} prefetch={false}>
            year after
          </NextLink>
          <a data-tone="soft" href={`/api/v1/b/${book}/export/year?year=${year}`}>
            CSV
          </a>
        </HeadingEnd>
      </PageHeading>
      <Halves ratio="3:2" tabIndex={0} role="group" aria-label="Figures of the year">
        <Section>
          <Subheading>
            Gross by month{" "}
            <span data-tone="soft">before fees and refunds, as a processor reports it</span>
          </Subheading>
          <GrossTable book={book} amount={amount} currency={currency} gross={gross} year={year} />
          <Subheading>Income on the cash basis</Subheading>
          <CashTable book={book} amount={amount} cash={cash} currency={currency} year={year} />
        </Section>
        <Section>
          <Subheading>Tax payable by code</Subheading>
          <TaxTable book={book} currency={currency} amount={amount} tax={tax} />
          <Unclaimed {...props} />
        </Section>
      </Halves>
    </>
  );
}
/** Credit on account by age: what nobody claims belongs to the state one day. */
function Unclaimed({ credits, book, currency, today }: Props): ReactNode {
  return (
    <>
      <Subheading>Credit on account by age</Subheading>
      <DetailTable aria-label="Credit on account by age">
        <tbody>
          {credits.ages.map(({ age, sum, count }) => (
            <tr key={age}>
              <td>{creditAgeWords(age)}</td>
              <td data-tone="soft">
                {count} {count === 1 ? "receipt" : "receipts"}
              </td>
              <td data-numeric data-sum>
                {formatAmount(sum, currency, { dash: true })}
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">in all</td>
            <td />
            <td data-numeric>
              <Total>{formatAmount(credits.sum, currency)}</Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
      {credits.oldest.length > 0 ? (
        <DetailTable aria-label="Oldest credits">
          <tbody>
            {credits.oldest.slice(0, 12).map((entry) => (
              <tr key={entry.receiptId}>
                <td>
                  <NextLink href={`/b/${book}/receipts/${entry.receiptId}`} prefetch={false}>
                    {entry.name}
                  </NextLink>
                </td>
                <td data-tone="soft">since {formatDay(entry.since, today)}</td>
                <td data-numeric data-sum>
                  {formatAmount(entry.sum, currency)}
                </td>
              </tr>
            ))}
          </tbody>
        </DetailTable>
      ) : (
        <p data-tone="good">✓ Nobody has anything on account.</p>
      )}
    </>
  );
}
