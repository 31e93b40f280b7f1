"use client";

import { type ReactNode, useState } from "react";

import type { FigureMonth } from "@/contracts/reports";
import { type Day, formatDay } from "@/core/calendar";

import { minorDigits } from "@/core/money";

import { Amount } from "../kit/Amount";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { CallsTable, type Props, WeeksTable } from "./CashToExpect";
import { Doubtful } from "./Doubtful";
import { FigureChart } from "./FigureChart";
import { MonthsTable, number } from "./FigureMonths";
import { ReportTabs } from "./ReportTabs";

/**
 * How collecting goes: days sales outstanding by month, cash to expect by week, whom to call first,
 * what is doubtful.
 */
export function FiguresPage({
  months,
  weeks,
  owed,
  before,
  calls,
  allowance,
  book,
  currency,
  today,
}: Props): ReactNode {
  const now = months.at(-1);
  const one = 10 ** minorDigits(currency);
  const [open, setOpen] = useState<Day | null>(null);
  return (
    <>
      <FiguresHeading book={book} now={now} />
      <Halves tabIndex={0} role="group" aria-label="Figures">
        <Section>
          <Subheading>By month</Subheading>
          <FigureChart
            label="Days sales outstanding by month"
            names={months.map(({ month }) => month)}
            series={[
              { name: "DSO", values: months.map(({ dso }) => dso) },
              { name: "best possible", values: months.map(({ best }) => best) },
            ]}
            kind="line"
            unit=" days"
          />
          <MonthsTable book={book} currency={currency} months={months} />
          <p data-tone="soft">
            DSO: what is owed / sold in three months x their days. Best: the same of what is not
            due. CEI: (opening + sold - owed) / (opening + sold - not due). Days late: of what was
            paid in the month, by sum.
          </p>
          <Doubtful allowance={allowance} currency={currency} />
        </Section>
        <Section>
          <Subheading>
            Cash to expect{" "}
            <span data-tone="soft">by due dates, promises and each customer’s habit</span>
          </Subheading>
          <FigureChart
            label="Cash to expect by week"
            names={weeks.map(({ from }) => formatDay(from, today))}
            series={[
              { name: "expected", values: weeks.map(({ expected }) => expected / one) },
              { name: "at most", values: weeks.map(({ most }) => most / one) },
            ]}
            kind="bar"
            unit=""
          />
          <WeeksTable
            book={book}
            currency={currency}
            open={open}
            setOpen={setOpen}
            today={today}
            weeks={weeks}
            owed={owed}
          />
          {owed.onAccount === 0 ? null : (
            <p data-tone="soft">
              Customers have <Amount of={owed.onAccount} currency={currency} /> on account, which
              may pay a part of it.
            </p>
          )}
          <p data-tone="soft">
            Four weeks ago, on {formatDay(before.asOf, today)},{" "}
            <Amount of={before.expected} currency={currency} /> of what was open then was expected
            until now; <Amount of={before.came} currency={currency} /> of it came (what waits in
            Match is not in it yet).
          </p>
          <Subheading>Worth calling first</Subheading>
          <CallsTable book={book} calls={calls} />
        </Section>
      </Halves>
    </>
  );
}
type FiguresHeadingProps = {
  book: Props["book"];
  now: FigureMonth | undefined;
};
function FiguresHeading({ book, now }: FiguresHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        {number(now?.dso ?? null)}{" "}
        <small>days sales outstanding; {number(now?.best ?? null)} if nothing were late</small>
      </Title>
      <ReportTabs at="figures" />
      <HeadingEnd>
        {(["csv", "xlsx", "pdf"] as const).map((format) => (
          <a
            data-tone="soft"
            key={format}
            href={`/api/v1/b/${book}/export/figures?format=${format}`}
          >
            {format.toUpperCase()}
          </a>
        ))}
      </HeadingEnd>
    </PageHeading>
  );
}
