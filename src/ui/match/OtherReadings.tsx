"use client";

import type { ReactNode } from "react";

import type { WorkingsReading } from "@/contracts/match";
import type { Currency, Minor } from "@/core/money";

import { LeftOver } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { DetailTable } from "../kit/tables";

/** What else the receipt could be; each by its number key. */
export function OtherReadings({
  readings,
  chosen,
  choose,
  currency,
  amount,
}: {
  readings: readonly WorkingsReading[];
  chosen: number;
  choose: (at: number) => void;
  currency: Currency;
  amount: Minor;
}): ReactNode {
  if (readings.length < 2) return null;
  return (
    <>
      <Subheading>Other readings</Subheading>
      <DetailTable>
        <tbody>
          {readings.map((reading, at) =>
            at === chosen ? null : (
              <tr key={`${reading.words} ${at}`}>
                <td>
                  <RowButton
                    onClick={() => choose(at)}
                    title={`${reading.customer}: ${reading.words}`}
                  >
                    <kbd>{at + 1}</kbd>{" "}
                    {reading.words.startsWith("on account") ||
                    reading.customerId === readings[chosen]?.customerId
                      ? reading.words
                      : `${reading.customer}: ${reading.words}`}
                  </RowButton>
                </td>
                <td data-numeric>
                  <LeftOver
                    of={reading.lines.length === 0 ? amount : reading.onAccount}
                    currency={currency}
                  />
                </td>
              </tr>
            ),
          )}
        </tbody>
      </DetailTable>
    </>
  );
}
