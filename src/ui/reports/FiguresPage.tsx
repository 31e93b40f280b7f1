"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from "react";

import type { ExpectedItem, FigureMonth, FiguresFacts } from "@/contracts/reports";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { BUCKETS, bucketWords } from "@/core/metrics";
import { sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { ActRow, Halves, Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { FigureChart } from "./FigureChart";
import { ReportTabs } from "./ReportTabs";
type Props = BookFacts & FiguresFacts;

const number = (value: number | null, digits = 1): string =>
  value === null ? "–" : value.toFixed(digits);

/**
 * How collecting goes: days sales outstanding by month, cash to expect by week, whom to call first,
 * what is doubtful.
 */
export function FiguresPage({
  months,
  weeks,
  before,
  calls,
  allowance,
  book,
  currency,
  today,
}: Props): ReactNode {
  const now = months.at(-1);
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
              { name: "expected", values: weeks.map(({ expected }) => expected / 100) },
              { name: "at most", values: weeks.map(({ most }) => most / 100) },
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
          />
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

type MonthsTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  months: Props["months"];
};

function MonthsTable({ book, currency, months }: MonthsTableProps): ReactNode {
  return (
    <DetailTable aria-label="Figures by month">
      <thead>
        <tr>
          <th scope="col">Month</th>
          <th data-numeric scope="col">
            Sold
          </th>
          <th data-numeric scope="col">
            Owed at its end
          </th>
          <th data-numeric scope="col">
            DSO
          </th>
          <th data-numeric scope="col">
            Best
          </th>
          <th data-numeric scope="col">
            CEI
          </th>
          <th data-numeric scope="col">
            Days late
          </th>
        </tr>
      </thead>
      <tbody>
        {[...months].reverse().map((month) => (
          <tr key={month.month}>
            <td>{month.month}</td>
            <td data-numeric>
              <NextLink
                href={`/b/${book}/invoices?state=all&issued=${month.month}`}
                prefetch={false}
              >
                <Amount of={month.sales} currency={currency} />
              </NextLink>
            </td>
            <td data-numeric>
              <NextLink href={`?as-of=${month.end}`} prefetch={false}>
                <Amount of={month.receivables} currency={currency} />
              </NextLink>
            </td>
            <td data-numeric>{number(month.dso)}</td>
            <td data-numeric>{number(month.best)}</td>
            <td data-numeric>{month.cei === null ? "–" : `${month.cei.toFixed(1)} %`}</td>
            <td data-numeric>{number(month.daysLate)}</td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

type WeeksTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  open: Day | null;
  setOpen: Dispatch<SetStateAction<Day | null>>;
  today: Props["today"];
  weeks: Props["weeks"];
};

function WeeksTable({ book, currency, open, setOpen, today, weeks }: WeeksTableProps): ReactNode {
  return (
    <DetailTable aria-label="Cash to expect by week">
      <thead>
        <tr>
          <th scope="col">Week from</th>
          <th data-numeric scope="col">
            At least
          </th>
          <th data-numeric scope="col">
            Expected
          </th>
          <th data-numeric scope="col">
            At most
          </th>
        </tr>
      </thead>
      <tbody>
        {weeks.map((week) => (
          <tr key={week.from}>
            <td>{formatDay(week.from, today)}</td>
            <td data-numeric data-tone="soft">
              <Amount of={week.least} currency={currency} dash />
            </td>
            <td data-numeric>
              {week.expected === 0 ? (
                <Amount of={0} currency={currency} dash />
              ) : (
                <RowButton
                  aria-expanded={open === week.from}
                  onClick={() => setOpen(open === week.from ? null : week.from)}
                >
                  <Amount of={week.expected} currency={currency} />
                </RowButton>
              )}
            </td>
            <td data-numeric data-tone="soft">
              <Amount of={week.most} currency={currency} dash />
            </td>
          </tr>
        ))}
        {open === null ? null : (
          <WeekItems key={open} from={open} book={book} currency={currency} today={today} />
        )}
        <tr>
          <td data-tone="soft">together</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={sumOf(weeks, ({ expected }) => expected)} currency={currency} />
            </Total>
          </td>
          <td />
        </tr>
      </tbody>
    </DetailTable>
  );
}

type CallsTableProps = {
  book: Props["book"];
  calls: Props["calls"];
};

function CallsTable({ book, calls }: CallsTableProps): ReactNode {
  return (
    <DetailTable aria-label="Worth calling first">
      <tbody>
        {calls.map((call) => (
          <tr key={call.customerId}>
            <Cell verticalAlign="baseline" width="190px">
              <NextLink href={`/b/${book}/overdue?open=${call.customerId}`} prefetch={false}>
                {call.name}
              </NextLink>
            </Cell>
            <td data-tone="soft" data-wrap>
              {call.why}
            </td>
          </tr>
        ))}
        {calls.length === 0 ? (
          <tr>
            <td data-tone="good">✓ Nobody: nothing is late that does not wait.</td>
          </tr>
        ) : null}
      </tbody>
    </DetailTable>
  );
}

/** What a week's sum is expected from, the largest first. */
function WeekItems({ from, book, currency, today }: { from: Day } & BookFacts): ReactNode {
  const { complain } = useActing();
  const [items, setItems] = useState<ExpectedItem[] | null>(null);
  useEffect(() => {
    let current = true;
    void load<ExpectedItem[]>(`/api/v1/b/${book}/expected?week=${from}`).then((sent) => {
      if (current) {
        if (sent.ok) setItems(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, from]);
  return (
    <tr>
      <Cell padding="0" colSpan={4}>
        <Box
          maxHeight="220px"
          overflow="auto"
          tabIndex={0}
          role="group"
          aria-label={`Expected in the week from ${formatDay(from, today)}`}
        >
          {items === null ? (
            <p data-tone="soft">Reading …</p>
          ) : (
            <DetailTable>
              <tbody>
                {items.map((item) => (
                  <tr key={item.itemId}>
                    <td>
                      <NextLink href={`/b/${book}/invoices/${item.itemId}`} prefetch={false}>
                        {item.number}
                      </NextLink>{" "}
                      <NextLink
                        data-tone="soft"
                        href={`/b/${book}/customers/${item.customerId}`}
                        prefetch={false}
                      >
                        {item.customer}
                      </NextLink>
                    </td>
                    <td data-tone="soft">
                      {item.promised ? "promised" : `due ${formatDay(item.dueOn, today)}`}
                    </td>
                    <td data-numeric>
                      <Amount of={item.amount} currency={currency} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </DetailTable>
          )}
        </Box>
      </Cell>
    </tr>
  );
}

function Doubtful({ allowance, currency }: Pick<Props, "allowance" | "currency">): ReactNode {
  const { act, busy } = useActing();
  const [percent, setPercent] = useState(allowance.percent);
  const changed = BUCKETS.some((bucket) => percent[bucket] !== allowance.percent[bucket]);
  return (
    <>
      <Subheading>
        Doubtful debts <span data-tone="soft">by age</span>
      </Subheading>
      <DetailTable aria-label="Doubtful debts by age">
        <tbody>
          {BUCKETS.map((bucket) => (
            <tr key={bucket}>
              <td>{bucketWords(bucket)}</td>
              <td data-numeric>
                <NextLink href="?" prefetch={false}>
                  <Amount of={allowance.aging[bucket]} currency={currency} dash />
                </NextLink>
              </td>
              <td data-numeric data-tone="soft">
                <LineField
                  width="48px"
                  inputMode="decimal"
                  aria-label={`Per cent doubtful, ${bucketWords(bucket)}`}
                  value={percent[bucket]}
                  onChange={(event) => setPercent({ ...percent, [bucket]: event.target.value })}
                />{" "}
                %
              </td>
              <td data-numeric>
                <Amount of={allowance.byBucket[bucket]} currency={currency} dash />
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">the allowance should be</td>
            <td />
            <td />
            <td data-numeric>
              <Total>
                <Amount of={allowance.sum} currency={currency} />
              </Total>
            </td>
          </tr>
          <tr>
            <td data-tone="soft">it stands at</td>
            <td />
            <td />
            <td data-numeric>
              <Amount of={allowance.stands} currency={currency} />
            </td>
          </tr>
        </tbody>
      </DetailTable>
      <ActRow>
        {changed ? (
          <Act
            main
            onClick={() =>
              void act("changeSettings", { doubtfulPercent: percent }, () => ({
                words: "These rates are used from now on.",
              }))
            }
            disabled={busy}
          >
            Keep these rates
          </Act>
        ) : null}
        {allowance.entry === 0 ? (
          <span data-tone="good">✓ It stands where it should.</span>
        ) : (
          <Act
            onClick={() =>
              void act<{ actId: number }>("bringAllowance", {}, (value) => ({
                words: "The allowance stands where it should.",
                undo: value.actId,
              }))
            }
            disabled={busy || changed}
          >
            Post the difference of <Amount of={allowance.entry} currency={currency} />
          </Act>
        )}
      </ActRow>
    </>
  );
}
