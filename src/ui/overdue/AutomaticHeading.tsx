"use client";

import type { ReactNode } from "react";

import type { AutomaticRun } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Amount } from "../kit/Amount";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LastLook } from "../shell/LastLook";
import { useActing } from "../shell/Notices";
import { LeavingForGood } from "./FilesWaiting";

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
  /** Files that wait in Arrivals, by name: the letters wait for them. */
  filesWaiting: string[];
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
  /** How many files wait in Arrivals. */
  waiting: number;
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
  waiting,
}: AutomaticHeadingProps): ReactNode {
  const { book } = useActing();
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
        <ListFiles book={book} list="automatic-letters" />
        {on === today && !gone ? (
          <LastLook
            ask="Let them go now"
            go={`Send these ${going}`}
            words={<LeavingForGood waiting={waiting} />}
            onGo={now}
            disabled={going === 0}
          />
        ) : null}
      </HeadingEnd>
    </PageHeading>
  );
}
