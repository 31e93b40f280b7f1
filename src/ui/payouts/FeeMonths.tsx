"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { AccruedMonth, FeeMonth } from "@/contracts/payouts";
import { formatAmount } from "@/core/money";

import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { entriesOf, SumLink } from "../kit/SumLink";
import { DetailTable, Heads, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import type { Props } from "./AgreedRates";
import { methodWords, percentWords } from "./fees";

/** Fees of processors that bill by the month: accrued in the month they belong to, until the bill comes. */
export function Billed({ accrued, currency }: Props): ReactNode {
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
              <td data-tone={toneOf(accrued)}>{accrued.state}</td>
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
          <NoneRow of={accrued}>No charges yet.</NoneRow>
        </tbody>
      </DetailTable>
    </>
  );
}
function toneOf(accrued: AccruedMonth): "good" | "soft" | "waits" {
  if (accrued.state === "billed") return "good";
  if (accrued.state === "accrued") return "soft";
  return "waits";
}

/** What a month's difference is made of: its charges that are not as agreed, or the month's bill. */
function madeOf(book: string, { month, method, code, monthly }: FeeMonth): string {
  if (monthly) return entriesOf(book, { event: "fee", month });
  return `/b/${book}/payouts?${new URLSearchParams({ show: "fees", month, method, account: code })}`;
}

export function Months({ months }: Props): ReactNode {
  const { book } = useActing();
  return (
    <Box maxHeight="190px" overflow="auto" tabIndex={0} role="group" aria-label="Fees by month">
      <DetailTable aria-label="Effective rate by month">
        <Heads
          of={[
            "Month",
            "By",
            { number: "Charges" },
            { number: "Fees" },
            { number: "Rate" },
            { number: "Too much" },
          ]}
        />
        <tbody>
          {months.map((month) => (
            <tr key={`${month.account} ${month.month} ${month.method}`}>
              <td>{month.month}</td>
              <td title={month.account}>{methodWords(month.method)}</td>
              <td data-numeric>
                <SumLink
                  of={month.charges}
                  currency={month.currency}
                  href={entriesOf(book, { event: "receipt", month: month.month })}
                />
              </td>
              <td data-numeric>
                <SumLink
                  of={month.fees}
                  currency={month.currency}
                  href={entriesOf(book, { event: "fee", month: month.month })}
                />
              </td>
              <td data-numeric>{percentWords(month.perMillion)}</td>
              <td data-numeric data-sum data-tone={month.off > 0 ? "off" : undefined}>
                <SumLink of={month.off} currency={month.currency} href={madeOf(book, month)} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Box>
  );
}
