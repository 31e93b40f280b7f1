"use client";

import { type ReactNode, useState } from "react";

import type { AgreedRateView, FeesFacts } from "@/contracts/payouts";
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

import { RowButton } from "../kit/buttons";
import { InlineField } from "../kit/fields";
import { Form } from "../kit/layout";
import { DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { AgreeRate } from "./AgreeRate";
import { methodWords } from "./fees";

export type Props = BookFacts & FeesFacts;
type AchSavingProps = { ach: NonNullable<Props["ach"]>; currency: Props["currency"] };
export function AchSaving({ ach, currency }: AchSavingProps): ReactNode {
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
export function Rates({ rates, accounts, currency, today }: Props): ReactNode {
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
                {abroadInWords(rate)}
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
          <NoneRow of={rates}>Nothing yet.</NoneRow>
        </tbody>
      </DetailTable>
      <AgreeRate accounts={accounts} currency={currency} today={today} />
    </>
  );
}
function abroadInWords(rate: AgreedRateView): ReactNode {
  if (rate.abroad === null) return "";
  if (rate.abroad) return ", from abroad";
  return ", of this country";
}

/** What taking ACH costs a month; common practice differs, so the book says its own. */
export function AchCost({ fixed, currency }: { fixed: Minor; currency: Currency }): ReactNode {
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
