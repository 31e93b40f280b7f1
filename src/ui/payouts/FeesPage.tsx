"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { type ReactNode, useState } from "react";

import type { FeeLine, FeesFacts } from "@/contracts/payouts";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import {
  type Currency,
  formatAmount,
  formatMoney,
  type Minor,
  parseAmount,
  toDecimal,
} from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { InlineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Form, Halves, Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { AgreeRate } from "./AgreeRate";
import { PayoutTabs } from "./PayoutTabs";
import { methodWords, percentWords } from "./fees";

const RateChart = dynamic(() => import("./RateChart").then((module) => module.RateChart), {
  ssr: false,
  loading: () => <Box height="150px" />,
});
type Props = BookFacts & FeesFacts;

/** Fees against what was agreed: what was taken too much, the rate by month, and what was agreed. */
export function FeesPage(props: Props): ReactNode {
  const { currency, today, lines, over, checked, count, book } = props;
  return (
    <>
      <PageHeading>
        <Title>
          {over === 0 ? (
            <>
              <span data-tone="good">0.00</span>{" "}
              <small>too much, of {checked.toLocaleString("en")} fees checked</small>
            </>
          ) : (
            <>
              <span data-tone="off">{formatAmount(over, currency)}</span>{" "}
              <small>
                too much, of {checked.toLocaleString("en")} fees checked in twelve months
              </small>
            </>
          )}
        </Title>
        <PayoutTabs at="fees" />
        <HeadingEnd>
          <a data-tone="soft" href={`/api/v1/b/${book}/export/fees`}>
            CSV, for the processor
          </a>
        </HeadingEnd>
      </PageHeading>
      <Halves ratio="3:2">
        <Section>
          <Subheading>
            Not as agreed{" "}
            <span data-tone="soft">
              {count === lines.length ? count : `${lines.length} of ${count}`}, worst first
            </span>
          </Subheading>
          <LedgerList<FeeLine>
            label="Fees that are not as agreed"
            rows={lines}
            idOf={(line) => line.id}
            href={(line) =>
              line.receiptId === null
                ? `/b/${book}/payouts`
                : `/b/${book}/receipts/${line.receiptId}`
            }
            columns={feeColumns({ count, currency, over, today })}
            empty={
              props.rates.length === 0 ? (
                <p>Nothing is agreed yet: say at the right what the processor may take.</p>
              ) : (
                <p data-tone="good">✓ Every fee is as agreed.</p>
              )
            }
          />
        </Section>
        <Section>
          <Subheading>Effective rate by month</Subheading>
          {props.months.length === 0 ? (
            <p data-tone="soft">No charges yet.</p>
          ) : (
            <>
              <RateChart months={props.months} />
              <Months {...props} />
            </>
          )}
          {props.accounts.some(({ monthly }) => monthly) ? <Billed {...props} /> : null}
          <Subheading>Agreed</Subheading>
          <Rates {...props} />
          {props.ach ? <AchSaving ach={props.ach} currency={currency} /> : null}
          {props.ach ? <AchCost fixed={props.ach.fixed} currency={currency} /> : null}
        </Section>
      </Halves>
    </>
  );
}

type FeeColumnsProps = {
  count: Props["count"];
  currency: Props["currency"];
  over: Props["over"];
  today: Props["today"];
};

function feeColumns({ count, currency, over, today }: FeeColumnsProps): ListColumn<FeeLine>[] {
  return [
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
      cell: (line) => <Amount of={line.amount} currency={line.currency} />,
    },
    {
      id: "fee",
      header: "Taken",
      width: "10%",
      number: true,
      cell: (line) => <Amount of={line.fee} currency={line.currency} />,
    },
    {
      id: "agreed",
      header: "Agreed",
      width: "10%",
      number: true,
      cell: (line) =>
        line.expected === null ? "–" : <Amount of={line.expected} currency={line.currency} />,
    },
    {
      id: "off",
      header: "Too much",
      width: "10%",
      number: true,
      cell: (line) => (
        <Amount of={line.off} currency={line.currency} tone={line.off > 0 ? "off" : undefined} />
      ),
      foot: <Total>{formatAmount(over, currency)}</Total>,
    },
  ];
}

type AchSavingProps = { ach: NonNullable<Props["ach"]>; currency: Props["currency"] };

function AchSaving({ ach, currency }: AchSavingProps): ReactNode {
  return (
    <p data-tone="soft">
      {ach.saved > 0 ? (
        <>
          By ACH the last twelve months’ card charges would have cost{" "}
          <span data-sum>{formatAmount(ach.saved, currency)}</span> less.{" "}
          {ach.from === null
            ? ""
            : `With a fixed cost of ${formatAmount(ach.fixed, currency)} a month ACH is worth it from ${ach.from} ${ach.from === 1 ? "payment" : "payments"} a month; there were about ${ach.perMonth}.`}
        </>
      ) : (
        "By ACH the same charges would not have been cheaper."
      )}
    </p>
  );
}

/** Fees of processors that bill by the month: accrued in the month they belong to, until the bill comes. */
function Billed({ accrued, currency }: Props): ReactNode {
  const { act, busy } = useActing();
  return (
    <>
      <Subheading>Billed by the month</Subheading>
      <DetailTable aria-label="Fees billed by the month">
        <tbody>
          {accrued.map((accrued, at) => (
            <tr key={at}>
              <td>{accrued.month}</td>
              <td>{accrued.account}</td>
              <td
                data-tone={
                  accrued.state === "billed"
                    ? "good"
                    : accrued.state === "accrued"
                      ? "soft"
                      : "waits"
                }
              >
                {accrued.state}
              </td>
              <td data-numeric data-sum>
                {formatAmount(accrued.sum, currency)}
              </td>
              <td data-numeric>
                {accrued.state === "to accrue" ? (
                  <RowButton
                    data-strong
                    disabled={busy}
                    onClick={() =>
                      void act<{ actId: number; sum: number }>(
                        "accrueFees",
                        { account: accrued.code, month: accrued.month },
                        (value) => ({
                          words: `${formatAmount(value.sum, currency)} accrued for ${accrued.month}.`,
                          undo: value.actId,
                        }),
                      )
                    }
                  >
                    Accrue
                  </RowButton>
                ) : null}
              </td>
            </tr>
          ))}
          {accrued.length === 0 ? (
            <tr>
              <td data-tone="soft">No charges yet.</td>
            </tr>
          ) : null}
        </tbody>
      </DetailTable>
    </>
  );
}

function Months({ months }: Props): ReactNode {
  return (
    <Box maxHeight="190px" overflow="auto" tabIndex={0} role="group" aria-label="Fees by month">
      <DetailTable aria-label="Effective rate by month">
        <thead>
          <tr>
            <th scope="col">Month</th>
            <th scope="col">By</th>
            <th data-numeric scope="col">
              Charges
            </th>
            <th data-numeric scope="col">
              Fees
            </th>
            <th data-numeric scope="col">
              Rate
            </th>
            <th data-numeric scope="col">
              Too much
            </th>
          </tr>
        </thead>
        <tbody>
          {months.map((month) => (
            <tr key={`${month.account} ${month.month} ${month.method}`}>
              <td>{month.month}</td>
              <td title={month.account}>{methodWords(month.method)}</td>
              <td data-numeric>
                <Amount of={month.charges} currency={month.currency} />
              </td>
              <td data-numeric>
                <Amount of={month.fees} currency={month.currency} />
              </td>
              <td data-numeric>{percentWords(month.perMillion)}</td>
              <td data-numeric data-sum data-tone={month.off > 0 ? "off" : undefined}>
                <Amount of={month.off} currency={month.currency} dash />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Box>
  );
}

function Rates({ rates, accounts, currency, today }: Props): ReactNode {
  const { act, busy } = useActing();
  return (
    <>
      <DetailTable aria-label="Agreed rates">
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
              <td data-tone="soft">from {formatDay(rate.from, today)}</td>
              <td data-numeric>
                <RowButton
                  data-tone="soft"
                  disabled={busy}
                  onClick={() =>
                    void act("endRate", { rateId: rate.id }, () => ({
                      words: "Taken off; nothing that was posted changes.",
                    }))
                  }
                >
                  take off
                </RowButton>
              </td>
            </tr>
          ))}
          {rates.length === 0 ? (
            <tr>
              <td data-tone="soft">Nothing yet.</td>
            </tr>
          ) : null}
        </tbody>
      </DetailTable>
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
    <Form
      data-tone="soft"
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
        <InlineField
          width="74px"
          textAlign="right"
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>{" "}
      {parsed.ok && parsed.value !== fixed ? (
        <RowButton data-strong type="submit" disabled={busy}>
          Keep
        </RowButton>
      ) : null}
    </Form>
  );
}
