"use client";

import type { ReactNode } from "react";

import type { ForeignSum } from "@/contracts/books";
import type { Day } from "@/core/calendar";
import { type Currency, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { ActRow } from "../kit/layout";
import { DetailTable, Heads } from "../kit/tables";
import { useActing } from "../shell/Notices";

export function Open({
  open,
  off,
  currency,
}: {
  open: readonly ForeignSum[];
  off: Minor;
  currency: Currency;
}): ReactNode {
  return (
    <DetailTable aria-label="Open in other currencies">
      <Heads
        of={[
          "What",
          { number: "In its own" },
          { number: "Carried at" },
          { number: "At the day’s rate" },
          { number: "Off by" },
        ]}
      />
      <tbody>
        {open.map((foreign) => (
          <tr key={`${foreign.currency} ${foreign.what}`}>
            <td>
              {foreign.what} <span data-tone="soft">{foreign.count}</span>
            </td>
            <td data-numeric>
              <Amount of={foreign.amount} currency={foreign.currency} />
            </td>
            <td data-numeric>
              <Amount of={foreign.book} currency={currency} />
            </td>
            <td data-numeric>
              <Amount of={foreign.atRate} currency={currency} />
            </td>
            <td data-numeric>
              <Amount of={foreign.off} currency={currency} dash />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">together</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={sumOf(open, ({ book }) => book)} currency={currency} />
            </Total>
          </td>
          <td data-numeric>
            <Total>
              <Amount of={sumOf(open, ({ atRate }) => atRate)} currency={currency} />
            </Total>
          </td>
          <td data-numeric>
            <Total>
              <Amount of={off} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
export function Revalue({
  asOf,
  open,
  done,
}: {
  asOf: Day;
  open: readonly ForeignSum[];
  done: boolean;
}): ReactNode {
  const { act, busy } = useActing();
  if (open.length === 0) return null;
  if (done) return <p data-tone="good">✓ Revalued for this day already.</p>;
  return (
    <ActRow>
      <Act
        main
        disabled={busy || open.every(({ off }) => off === 0)}
        onClick={() =>
          void act<{ actId: number }>("revalue", { asOf }, (value) => ({
            words: "Brought to the day’s rates, and taken back on the next day.",
            undo: value.actId,
          }))
        }
      >
        Post the revaluation
      </Act>
      <span data-tone="soft">
        Exchange takes the difference on this day and gives it back on the next.
      </span>
    </ActRow>
  );
}
