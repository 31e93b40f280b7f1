"use client";

import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import { type Day, formatDay } from "@/core/calendar";
import { type Aging, type Bucket, BUCKETS, bucketWords } from "@/core/metrics";
import { type Minor, sumOf } from "@/core/money";

import type { Around } from "../history/types";
import { Act } from "../kit/Act";
import { Sum } from "../kit/Amount";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { FigureChart } from "./FigureChart";
import { ReportTabs } from "./ReportTabs";

type Month = {
  month: string;
  end: Day;
  sales: Minor;
  receivables: Minor;
  notDue: Minor;
  dso: number | null;
  best: number | null;
  cei: number | null;
  daysLate: number | null;
};
type Week = { from: Day; expected: Minor; least: Minor; most: Minor };
type Props = Around & {
  months: Month[];
  weeks: Week[];
  before: { asOf: Day; expected: Minor; came: Minor };
  calls: { customerId: number; name: string; overdue: Minor; why: string }[];
  allowance: {
    aging: Aging;
    percent: Readonly<Record<Bucket, string>>;
    byBucket: Readonly<Record<Bucket, Minor>>;
    sum: Minor;
    stands: Minor;
    entry: Minor;
  };
};

const number = (value: number | null, digits = 1): string =>
  value === null ? "–" : value.toFixed(digits);

/** How collecting goes: days sales outstanding by month, cash to expect by week, whom to call first, what is doubtful. */
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
      <div className="heading">
        <h1>
          {number(now?.dso ?? null)}{" "}
          <small>days sales outstanding; {number(now?.best ?? null)} if nothing were late</small>
        </h1>
        <ReportTabs at="figures" />
        <div className="end">
          {(["csv", "xlsx", "pdf"] as const).map((format) => (
            <a
              key={format}
              className="soft"
              href={`/api/v1/b/${book}/export/figures?format=${format}`}
            >
              {format.toUpperCase()}
            </a>
          ))}
        </div>
      </div>
      <div className="columns" tabIndex={0} role="group" aria-label="Figures">
        <section>
          <h2>By month</h2>
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
          <table className="small" aria-label="Figures by month">
            <thead>
              <tr>
                <th scope="col">Month</th>
                <th scope="col" className="num">
                  Sold
                </th>
                <th scope="col" className="num">
                  Owed at its end
                </th>
                <th scope="col" className="num">
                  DSO
                </th>
                <th scope="col" className="num">
                  Best
                </th>
                <th scope="col" className="num">
                  CEI
                </th>
                <th scope="col" className="num">
                  Days late
                </th>
              </tr>
            </thead>
            <tbody>
              {[...months].reverse().map((one) => (
                <tr key={one.month}>
                  <td>{one.month}</td>
                  <td className="num">
                    <NextLink
                      href={`/b/${book}/invoices?state=all&issued=${one.month}`}
                      prefetch={false}
                    >
                      <Sum of={one.sales} currency={currency} />
                    </NextLink>
                  </td>
                  <td className="num">
                    <NextLink href={`?as-of=${one.end}`} prefetch={false}>
                      <Sum of={one.receivables} currency={currency} />
                    </NextLink>
                  </td>
                  <td className="num">{number(one.dso)}</td>
                  <td className="num">{number(one.best)}</td>
                  <td className="num">{one.cei === null ? "–" : `${one.cei.toFixed(1)} %`}</td>
                  <td className="num">{number(one.daysLate)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="soft">
            DSO: what is owed / sold in three months x their days. Best: the same of what is not
            due. CEI: (opening + sold - owed) / (opening + sold - not due). Days late: of what was
            paid in the month, by sum.
          </p>
          <Doubtful allowance={allowance} currency={currency} />
        </section>
        <section>
          <h2>
            Cash to expect{" "}
            <span className="soft">by due dates, promises and each customer’s habit</span>
          </h2>
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
          <table className="small" aria-label="Cash to expect by week">
            <thead>
              <tr>
                <th scope="col">Week from</th>
                <th scope="col" className="num">
                  At least
                </th>
                <th scope="col" className="num">
                  Expected
                </th>
                <th scope="col" className="num">
                  At most
                </th>
              </tr>
            </thead>
            <tbody>
              {weeks.map((week) => (
                <tr key={week.from}>
                  <td>{formatDay(week.from, today)}</td>
                  <td className="num soft">
                    <Sum of={week.least} currency={currency} dash />
                  </td>
                  <td className="num">
                    {week.expected === 0 ? (
                      <Sum of={0} currency={currency} dash />
                    ) : (
                      <button
                        type="button"
                        className="row-open"
                        aria-expanded={open === week.from}
                        onClick={() => setOpen(open === week.from ? null : week.from)}
                      >
                        <Sum of={week.expected} currency={currency} />
                      </button>
                    )}
                  </td>
                  <td className="num soft">
                    <Sum of={week.most} currency={currency} dash />
                  </td>
                </tr>
              ))}
              {open === null ? null : (
                <WeekItems key={open} from={open} book={book} currency={currency} today={today} />
              )}
              <tr>
                <td className="soft">together</td>
                <td />
                <td className="num">
                  <span className="total">
                    <Sum of={sumOf(weeks, ({ expected }) => expected)} currency={currency} />
                  </span>
                </td>
                <td />
              </tr>
            </tbody>
          </table>
          <p className="soft">
            Four weeks ago, on {formatDay(before.asOf, today)},{" "}
            <Sum of={before.expected} currency={currency} /> of what was open then was expected
            until now; <Sum of={before.came} currency={currency} /> of it came (what waits in Match
            is not in it yet).
          </p>
          <h2>Worth calling first</h2>
          <table className="small" aria-label="Worth calling first">
            <tbody>
              {calls.map((one) => (
                <tr key={one.customerId}>
                  <td style={{ verticalAlign: "baseline", width: 190 }}>
                    <NextLink href={`/b/${book}/overdue?open=${one.customerId}`} prefetch={false}>
                      {one.name}
                    </NextLink>
                  </td>
                  <td className="soft" style={{ whiteSpace: "normal" }}>
                    {one.why}
                  </td>
                </tr>
              ))}
              {calls.length === 0 ? (
                <tr>
                  <td className="good">✓ Nobody: nothing is late that does not wait.</td>
                </tr>
              ) : null}
            </tbody>
          </table>
        </section>
      </div>
    </>
  );
}

type WeekItem = {
  itemId: number;
  number: string;
  customerId: number;
  customer: string;
  dueOn: Day;
  amount: Minor;
  promised: boolean;
};

/** What a week's sum is expected from, the largest first. */
function WeekItems({ from, book, currency, today }: { from: Day } & Around): ReactNode {
  const { complain } = useActing();
  const [items, setItems] = useState<WeekItem[] | null>(null);
  useEffect(() => {
    let current = true;
    void load<WeekItem[]>(`/api/v1/b/${book}/expected?week=${from}`).then((sent) => {
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
      <td colSpan={4} style={{ padding: 0 }}>
        <div
          style={{ maxHeight: 220, overflow: "auto" }}
          tabIndex={0}
          role="group"
          aria-label={`Expected in the week from ${formatDay(from, today)}`}
        >
          {items === null ? (
            <p className="soft">Reading …</p>
          ) : (
            <table className="small">
              <tbody>
                {items.map((one) => (
                  <tr key={one.itemId}>
                    <td>
                      <NextLink href={`/b/${book}/invoices/${one.itemId}`} prefetch={false}>
                        {one.number}
                      </NextLink>{" "}
                      <NextLink
                        className="soft"
                        href={`/b/${book}/customers/${one.customerId}`}
                        prefetch={false}
                      >
                        {one.customer}
                      </NextLink>
                    </td>
                    <td className="soft">
                      {one.promised ? "promised" : `due ${formatDay(one.dueOn, today)}`}
                    </td>
                    <td className="num">
                      <Sum of={one.amount} currency={currency} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </div>
      </td>
    </tr>
  );
}

function Doubtful({ allowance, currency }: Pick<Props, "allowance" | "currency">): ReactNode {
  const { act, busy } = useActing();
  const [percent, setPercent] = useState(allowance.percent);
  const changed = BUCKETS.some((bucket) => percent[bucket] !== allowance.percent[bucket]);
  return (
    <>
      <h2>
        Doubtful debts <span className="soft">by age</span>
      </h2>
      <table className="small" aria-label="Doubtful debts by age">
        <tbody>
          {BUCKETS.map((bucket) => (
            <tr key={bucket}>
              <td>{bucketWords(bucket)}</td>
              <td className="num">
                <NextLink href="?" prefetch={false}>
                  <Sum of={allowance.aging[bucket]} currency={currency} dash />
                </NextLink>
              </td>
              <td className="num soft">
                <input
                  className="sumfield"
                  style={{ width: 48 }}
                  inputMode="decimal"
                  aria-label={`Per cent doubtful, ${bucketWords(bucket)}`}
                  value={percent[bucket]}
                  onChange={(event) => setPercent({ ...percent, [bucket]: event.target.value })}
                />{" "}
                %
              </td>
              <td className="num">
                <Sum of={allowance.byBucket[bucket]} currency={currency} dash />
              </td>
            </tr>
          ))}
          <tr>
            <td className="soft">the allowance should be</td>
            <td />
            <td />
            <td className="num">
              <span className="total">
                <Sum of={allowance.sum} currency={currency} />
              </span>
            </td>
          </tr>
          <tr>
            <td className="soft">it stands at</td>
            <td />
            <td />
            <td className="num">
              <Sum of={allowance.stands} currency={currency} />
            </td>
          </tr>
        </tbody>
      </table>
      <div className="acts">
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
          <span className="good">✓ It stands where it should.</span>
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
            Post the difference of <Sum of={allowance.entry} currency={currency} />
          </Act>
        )}
      </div>
    </>
  );
}
