"use client";

import type { ReactNode } from "react";

import type { AutomaticRun } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { useActing } from "../shell/Notices";

export type Row = AutomaticRun["rows"][number];
export type Props = {
  book: string;
  currency: Currency;
  today: Day;
  on: Day | null;
  hour: number;
  gone: boolean;
  /** How many go, and what they ask for. */
  going: number;
  sum: Minor;
  rows: Row[];
  count: number;
  page: number;
  pageRows: number;
};
type AutomaticHeadingProps = {
  currency: Props["currency"];
  going: Props["going"];
  gone: Props["gone"];
  hour: Props["hour"];
  now: () => void;
  on: Props["on"];
  sum: Props["sum"];
  today: Props["today"];
};
export function AutomaticHeading({
  currency,
  going,
  gone,
  hour,
  now,
  on,
  sum,
  today,
}: AutomaticHeadingProps): ReactNode {
  const { busy } = useActing();
  return (
    <PageHeading>
      <Title>
        <Amount of={sum} currency={currency} />{" "}
        <small>
          {on === null
            ? "asked for without a look"
            : `asked for without a look, in ${going} ${going === 1 ? "letter" : "letters"}`}
        </small>
      </Title>
      {on === null ? null : (
        <span>
          {gone ? "Today’s have gone. The next go" : "They go"}{" "}
          <b data-strong>
            {formatDay(on, today)} at {hour}:00
          </b>
        </span>
      )}
      <HeadingEnd>
        {on === today && !gone ? (
          <Act onClick={now} disabled={busy || going === 0}>
            Let them go now
          </Act>
        ) : null}
      </HeadingEnd>
    </PageHeading>
  );
}
