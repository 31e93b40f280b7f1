"use client";

import { type ReactNode } from "react";

import { add, type Currency, formatAmount, type Minor } from "@/core/money";

import { Tick } from "../kit/fields";
import { recovering, type Tally, type Worked } from "./tally";

type NothingYetProps = {
  tally: Tally;
};

export function NothingYet({ tally }: NothingYetProps): ReactNode {
  return (
    <tr>
      <td data-tone="soft" colSpan={3}>
        {nothingYet(tally)}
      </td>
    </tr>
  );
}

type SurchargeRowProps = {
  change: (tally: Tally) => void;
  currency: Currency;
  tally: Tally;
  worked: Worked;
};

function nothingYet(tally: Tally): ReactNode {
  if (tally.customerId === null) return "Nothing yet: find the customer below.";
  if (tally.restOnAccount) return `All of it on account of ${tally.customer}.`;
  return "Nothing yet: tick what it pays, at the right.";
}

export function SurchargeRow({ change, currency, tally, worked }: SurchargeRowProps): ReactNode {
  return (
    <tr>
      <td>
        <label>
          <Tick
            checked={tally.surcharge > 0}
            onChange={() =>
              change({ ...tally, surcharge: tally.surcharge > 0 ? add(0) : worked.left })
            }
          />{" "}
          surcharge on top
        </label>
      </td>
      <td />
      <td data-numeric data-sum>
        {formatAmount(tally.surcharge > 0 ? tally.surcharge : worked.left, currency)}
      </td>
    </tr>
  );
}

type RecoveryRowProps = {
  change: (tally: Tally) => void;
  currency: Currency;
  givenUp: Minor;
  tally: Tally;
  worked: Worked;
};

export function RecoveryRow({
  change,
  currency,
  givenUp,
  tally,
  worked,
}: RecoveryRowProps): ReactNode {
  return (
    <tr>
      <td>
        <label>
          <Tick
            checked={tally.recovered > 0}
            onChange={() => change(recovering(tally, worked, givenUp))}
          />{" "}
          pays what was written off
        </label>
      </td>
      <td data-numeric data-tone="soft">
        {formatAmount(givenUp, currency)}
      </td>
      <td data-numeric data-sum>
        {tally.recovered > 0 ? formatAmount(tally.recovered, currency) : "–"}
      </td>
    </tr>
  );
}
