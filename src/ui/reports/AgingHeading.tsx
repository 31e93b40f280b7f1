"use client";

import type { ReactNode } from "react";

import type { AgesRow } from "@/contracts/reports";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { AsOf } from "../kit/lists/AsOf";
import type { Asked } from "./AgingAsked";
import { ReportTabs } from "./ReportTabs";

export type Props = BookFacts & {
  asked: Asked;
  rows: AgesRow[];
  count: number;
  ages: Minor[];
  total: Minor;
  credit: Minor;
  control: Minor;
  page: number;
  pageRows: number;
  currencies: Currency[];
};
type AgingHeadingProps = {
  asOf: Props["asked"]["asOf"];
  asked: Props["asked"];
  currency: Currency;
  off: number;
  today: Props["today"];
  total: Props["total"];
};
export function AgingHeading({
  asOf,
  asked,
  currency,
  off,
  today,
  total,
}: AgingHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        {formatAmount(total, currency)}{" "}
        <small>
          owed{asked.currency ? ` in ${asked.currency}` : ""}, as of {formatDay(asOf, today)}
        </small>
      </Title>
      {off === 0 ? (
        <span data-tone="good">✓ ties to Accounts receivable of that day</span>
      ) : (
        <span data-tone="off">off from Accounts receivable by {formatAmount(off, currency)}</span>
      )}
      <ReportTabs at="aging" />
      <HeadingEnd>
        <AsOf day={asOf} />
      </HeadingEnd>
    </PageHeading>
  );
}
