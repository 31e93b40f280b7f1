"use client";

import dynamic from "next/dynamic";
import { type ReactNode, useState } from "react";

import { type Day, formatDay } from "@/core/calendar";
import {
  type Currency,
  formatAmount,
  formatMoney,
  type Minor,
  parseAmount,
  toDecimal,
} from "@/core/money";

import { Sum } from "../kit/Amount";
import { LedgerList } from "../kit/lists/LedgerList";
import { useActing } from "../shell/Notices";
import { AgreeRate } from "./AgreeRate";
import { PayoutTabs } from "./PayoutTabs";
import { type FeeLine, type FeeMonth, methodWords, percentWords, type Rate } from "./fees";

const RateChart = dynamic(() => import("./RateChart").then((module) => module.RateChart), {
  ssr: false,
  loading: () => <div style={{ height: 150 }} />,
});

type Accrued = {
  account: string;
  code: string;
  month: string;
  sum: Minor;
  state: "accrued" | "billed" | "to accrue";
};
type Props = {
  book: string;
  currency: Currency;
  today: Day;
  lines: FeeLine[];
  count: number;
  checked: number;
  over: Minor;
  months: FeeMonth[];
  rates: Rate[];
  accounts: { code: string; name: string; monthly: boolean }[];
  accrued: Accrued[];
  ach: { saved: Minor; perMonth: number; from: number | null; fixed: Minor } | null;
};

/** Fees against what was agreed: what was taken too much, the rate by month, and what was agreed. */
export function FeesPage(props: Props): ReactNode {
  const { currency, today, lines, over, checked, count, book } = props;
  return (
    <>
      <div className="heading">
        <h1>
          {over === 0 ? (
            <>
              <span className="good">0.00</span>{" "}
              <small>too much, of {checked.toLocaleString("en")} fees checked</small>
            </>
          ) : (
            <>
              <span className="off">{formatAmount(over, currency)}</span>{" "}
              <small>
                too much, of {checked.toLocaleString("en")} fees checked in twelve months
              </small>
            </>
          )}
        </h1>
        <PayoutTabs at="fees" />
        <div className="end">
          <a className="soft" href={`/api/v1/b/${book}/export/fees`}>
            CSV, for the processor
          </a>
        </div>
      </div>
      <div className="columns" style={{ gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)" }}>
        <section>
          <h2>
            Not as agreed{" "}
            <span className="soft">
              {count === lines.length ? count : `${lines.length} of ${count}`}, worst first
            </span>
          </h2>
          <LedgerList<FeeLine>
            label="Fees that are not as agreed"
            rows={lines}
            idOf={(line) => line.id}
            href={(line) =>
              line.receiptId === null
                ? `/b/${book}/payouts`
                : `/b/${book}/receipts/${line.receiptId}`
            }
            columns={[
              {
                id: "charge",
                header: "Charge",
                width: "20%",
                cell: (line) => line.externalId,
                foot: `${count} charges`,
              },
              {
                id: "on",
                header: "Settled",
                width: "14%",
                cell: (line) => formatDay(line.on, today),
              },
              {
                id: "payer",
                header: "From",
                width: "24%",
                cell: (line) => <span title={line.payer}>{line.payer}</span>,
              },
              {
                id: "amount",
                header: "Charge of",
                width: "12%",
                number: true,
                cell: (line) => <Sum of={line.amount} currency={line.currency} />,
              },
              {
                id: "fee",
                header: "Taken",
                width: "10%",
                number: true,
                cell: (line) => <Sum of={line.fee} currency={line.currency} />,
              },
              {
                id: "agreed",
                header: "Agreed",
                width: "10%",
                number: true,
                cell: (line) =>
                  line.expected === null ? (
                    "–"
                  ) : (
                    <Sum of={line.expected} currency={line.currency} />
                  ),
              },
              {
                id: "off",
                header: "Too much",
                width: "10%",
                number: true,
                cell: (line) => (
                  <Sum
                    of={line.off}
                    currency={line.currency}
                    tone={line.off > 0 ? "off" : undefined}
                  />
                ),
                foot: <span className="total">{formatAmount(over, currency)}</span>,
              },
            ]}
            empty={
              props.rates.length === 0 ? (
                <p>Nothing is agreed yet: say at the right what the processor may take.</p>
              ) : (
                <p className="good">✓ Every fee is as agreed.</p>
              )
            }
          />
        </section>
        <section>
          <h2>Effective rate by month</h2>
          {props.months.length === 0 ? (
            <p className="soft">No charges yet.</p>
          ) : (
            <>
              <RateChart months={props.months} />
              <Months {...props} />
            </>
          )}
          {props.accounts.some(({ monthly }) => monthly) ? <Billed {...props} /> : null}
          <h2>Agreed</h2>
          <Rates {...props} />
          {props.ach ? (
            <p className="soft">
              {props.ach.saved > 0 ? (
                <>
                  By ACH the last twelve months’ card charges would have cost{" "}
                  <span className="sum">{formatAmount(props.ach.saved, currency)}</span> less.{" "}
                  {props.ach.from === null
                    ? ""
                    : `With a fixed cost of ${formatAmount(props.ach.fixed, currency)} a month ACH is worth it from ${props.ach.from} ${props.ach.from === 1 ? "payment" : "payments"} a month; there were about ${props.ach.perMonth}.`}
                </>
              ) : (
                "By ACH the same charges would not have been cheaper."
              )}
            </p>
          ) : null}
          {props.ach ? <AchCost fixed={props.ach.fixed} currency={currency} /> : null}
        </section>
      </div>
    </>
  );
}

/** Fees of processors that bill by the month: accrued in the month they belong to, until the bill comes. */
function Billed({ accrued, currency }: Props): ReactNode {
  const { act, busy } = useActing();
  return (
    <>
      <h2>Billed by the month</h2>
      <table className="small" aria-label="Fees billed by the month">
        <tbody>
          {accrued.map((one, at) => (
            <tr key={at}>
              <td>{one.month}</td>
              <td>{one.account}</td>
              <td
                className={
                  one.state === "billed" ? "good" : one.state === "accrued" ? "soft" : "waits"
                }
              >
                {one.state}
              </td>
              <td className="num sum">{formatAmount(one.sum, currency)}</td>
              <td className="num">
                {one.state === "to accrue" ? (
                  <button
                    type="button"
                    className="row-open strong"
                    disabled={busy}
                    onClick={() =>
                      void act<{ actId: number; sum: number }>(
                        "accrueFees",
                        { account: one.code, month: one.month },
                        (value) => ({
                          words: `${formatAmount(value.sum, currency)} accrued for ${one.month}.`,
                          undo: value.actId,
                        }),
                      )
                    }
                  >
                    Accrue
                  </button>
                ) : null}
              </td>
            </tr>
          ))}
          {accrued.length === 0 ? (
            <tr>
              <td className="soft">No charges yet.</td>
            </tr>
          ) : null}
        </tbody>
      </table>
    </>
  );
}

function Months({ months }: Props): ReactNode {
  return (
    <div
      style={{ maxHeight: 190, overflow: "auto" }}
      tabIndex={0}
      role="group"
      aria-label="Fees by month"
    >
      <table className="small" aria-label="Effective rate by month">
        <thead>
          <tr>
            <th scope="col">Month</th>
            <th scope="col">By</th>
            <th scope="col" className="num">
              Charges
            </th>
            <th scope="col" className="num">
              Fees
            </th>
            <th scope="col" className="num">
              Rate
            </th>
            <th scope="col" className="num">
              Too much
            </th>
          </tr>
        </thead>
        <tbody>
          {months.map((month) => (
            <tr key={`${month.account} ${month.month} ${month.method}`}>
              <td>{month.month}</td>
              <td title={month.account}>{methodWords(month.method)}</td>
              <td className="num">
                <Sum of={month.charges} currency={month.currency} />
              </td>
              <td className="num">
                <Sum of={month.fees} currency={month.currency} />
              </td>
              <td className="num">{percentWords(month.perMillion)}</td>
              <td className={month.off > 0 ? "num sum off" : "num sum"}>
                <Sum of={month.off} currency={month.currency} dash />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Rates({ rates, accounts, currency, today }: Props): ReactNode {
  const { act, busy } = useActing();
  return (
    <>
      <table className="small" aria-label="Agreed rates">
        <tbody>
          {rates.map((rate) => (
            <tr key={rate.id}>
              <td>
                {rate.account}, {methodWords(rate.method)}
                {rate.brand === null ? "" : `, ${rate.brand}`}
                {rate.abroad === null ? "" : rate.abroad ? ", from abroad" : ", of this country"}
                {rate.fromVolume > 0
                  ? `, from ${formatMoney(rate.fromVolume, rate.currency, currency)} a month on`
                  : ""}
              </td>
              <td>
                {rate.percent} %
                {rate.fixed > 0 ? ` + ${formatMoney(rate.fixed, rate.currency, currency)}` : ""}
                {rate.most === null
                  ? ""
                  : `, at most ${formatMoney(rate.most, rate.currency, currency)}`}
                {rate.least === null
                  ? ""
                  : `, at least ${formatMoney(rate.least, rate.currency, currency)}`}
              </td>
              <td className="soft">from {formatDay(rate.from, today)}</td>
              <td className="num">
                <button
                  type="button"
                  className="row-open soft"
                  disabled={busy}
                  onClick={() =>
                    void act("endRate", { rateId: rate.id }, () => ({
                      words: "Taken off; nothing that was posted changes.",
                    }))
                  }
                >
                  take off
                </button>
              </td>
            </tr>
          ))}
          {rates.length === 0 ? (
            <tr>
              <td className="soft">Nothing yet.</td>
            </tr>
          ) : null}
        </tbody>
      </table>
      <AgreeRate accounts={accounts} currency={currency} today={today} />
    </>
  );
}

/** What taking ACH costs a month; common practice differs, so the book says its own. */
function AchCost({ fixed, currency }: { fixed: Minor; currency: Currency }): ReactNode {
  const { act, busy } = useActing();
  const [text, setText] = useState(toDecimal(fixed, currency));
  const parsed = parseAmount(text, ".", currency);
  return (
    <form
      className="soft"
      onSubmit={(event) => {
        event.preventDefault();
        if (parsed.ok)
          void act("changeSettings", { achFixedPerMonth: parsed.value }, () => ({
            words: "Kept.",
          }));
      }}
    >
      <label>
        Fixed cost of ACH a month{" "}
        <input
          className="inline"
          style={{ width: 74, textAlign: "right" }}
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>{" "}
      {parsed.ok && parsed.value !== fixed ? (
        <button type="submit" className="row-open strong" disabled={busy}>
          Keep
        </button>
      ) : null}
    </form>
  );
}
