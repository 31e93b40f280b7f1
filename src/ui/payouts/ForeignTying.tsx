"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { PayoutRow, PayoutWorkings } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, ownRate, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { useRowKeys } from "../kit/lists/opening";
import { ActRow } from "../kit/layout";
import { TermTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

/**
 * A payout in another currency, against the bank line that it came in: at which rate, and what the
 * exchange made of it.
 */
export function ForeignTying({
  workings,
  row,
  currency,
  today,
  done,
}: {
  workings: PayoutWorkings;
  row: PayoutRow;
  currency: Currency;
  today: Day;
  done: () => void;
}): ReactNode {
  const { act, busy, book } = useActing();
  const { payout, openLines, rate } = workings;
  const [chosen, setChosen] = useState<ReadonlySet<number>>(
    new Set(payout.candidate ? [payout.candidate.id] : []),
  );
  const came = sumOf(
    openLines.filter((line) => chosen.has(line.id)),
    (line) => line.amount,
  );
  const none = chosen.size === 0 || busy;
  const tie = (): void => {
    if (!none)
      void act<{ actId: number }>(
        "tiePayout",
        { payoutId: row.id, bankLineIds: [...chosen], difference: null },
        (value) => ({ words: `Payout ${row.externalId} tied to the bank.`, undo: value.actId }),
      ).then((value) => {
        if (value) done();
      });
  };
  useRowKeys("enter", tie);
  const toggle = (id: number): void =>
    setChosen(
      new Set(chosen.has(id) ? [...chosen].filter((amount) => amount !== id) : [...chosen, id]),
    );
  return (
    <>
      <Subheading>
        {openLines.length === 0 ? "No bank line is open near it" : "Bank lines not explained yet"}
      </Subheading>
      <TermTable>
        <tbody>
          {openLines.map((line) => (
            <tr key={line.id}>
              <td>
                <chakra.label cursor="pointer">
                  <Tick checked={chosen.has(line.id)} onChange={() => toggle(line.id)} />{" "}
                  {formatDay(line.postedOn, today)} <span data-tone="soft">{line.description}</span>
                </chakra.label>
              </td>
              <td data-numeric>
                <Amount of={line.amount} currency={currency} />
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">
              less <Amount of={payout.net} currency={payout.currency} />, carried at
            </td>
            <td data-numeric>
              <Amount of={-payout.bookNet} currency={currency} />
            </td>
          </tr>
          {chosen.size === 0 ? null : (
            <tr>
              <td data-tone="soft">
                less what the exchange {came < payout.bookNet ? "cost" : "gained"}
              </td>
              <td data-numeric>
                <Amount of={payout.bookNet - came} currency={currency} />
              </td>
            </tr>
          )}
          <tr data-last>
            <td data-tone="soft">Off by</td>
            <td data-numeric>
              <Total large tone={chosen.size === 0 ? "off" : "good"}>
                <Amount of={chosen.size === 0 ? -payout.bookNet : 0} currency={currency} />
              </Total>
            </td>
          </tr>
        </tbody>
      </TermTable>
      <p data-tone="soft">
        {chosen.size === 0
          ? `Tick the line it came in; it should be at the bank on ${formatDay(row.expectedOn, today)}.`
          : `The bank gave ${ownRate(came, currency, payout.net, payout.currency)} for one ${payout.currency}; the day’s rate was ${rate ?? "not known"}.`}
      </p>
      <ActRow>
        <Act main hint="Enter" onClick={tie} disabled={none}>
          Tie at this rate
        </Act>
        <NextLink href={`/b/${book}/payouts/${row.id}`}>History</NextLink>
      </ActRow>
    </>
  );
}
