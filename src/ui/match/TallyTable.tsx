"use client";

import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { OnAccount } from "@/contracts/match";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Total } from "../kit/Amount";
import { LineField, Tick } from "../kit/fields";
import { Word } from "../kit/Word";
import { Heads, TermTable } from "../kit/tables";
import { type Tally, type Term, type Worked } from "./tally";
import { NothingYet, RecoveryRow, SurchargeRow } from "./TallyExtras";

type TallyTableProps = {
  tally: Tally;
  worked: Worked;
  currency: Currency;
  limit: number;
  credits: readonly OnAccount[];
  surcharges: boolean;
  givenUp: Minor;
  today: Day;
  change: (tally: Tally) => void;
  post: () => void;
};

export function TallyTable({
  tally,
  worked,
  currency,
  limit,
  credits,
  surcharges,
  givenUp,
  today,
  change,
  post,
}: TallyTableProps): ReactNode {
  const set = (at: number, part: Partial<Tally["terms"][number]>): void =>
    change({
      ...tally,
      terms: tally.terms.map((term, index) => (index === at ? { ...term, ...part } : term)),
    });
  return (
    <TermTable>
      <Heads of={["Goes to", { number: "open" }, { number: "from this" }]} />
      <tbody>
        {tally.terms.map((term, at) => (
          <TermRow
            key={term.itemId}
            at={at}
            currency={currency}
            limit={limit}
            post={post}
            set={set}
            short={shortOf(term, at, worked)}
            term={term}
          />
        ))}
        {tally.terms.length === 0 ? <NothingYet tally={tally} /> : null}
        {(tally.terms.length > 0 ? credits : []).map((credit) => (
          <CreditRow
            key={`credit ${credit.receiptId}`}
            change={change}
            credit={credit}
            currency={currency}
            tally={tally}
            today={today}
            worked={worked}
          />
        ))}
        {tally.surcharge > 0 || (surcharges && worked.left > 0 && tally.terms.length > 0) ? (
          <SurchargeRow change={change} currency={currency} tally={tally} worked={worked} />
        ) : null}
        {givenUp > 0 ? (
          <RecoveryRow
            change={change}
            currency={currency}
            givenUp={givenUp}
            tally={tally}
            worked={worked}
          />
        ) : null}
        {tally.restOnAccount && worked.left > 0 ? (
          <tr>
            <td>On account of {tally.customer}</td>
            <td />
            <td data-numeric data-sum>
              {formatAmount(worked.left, currency)}
            </td>
          </tr>
        ) : null}
        <LeftOverRow tally={tally} worked={worked} currency={currency} />
      </tbody>
    </TermTable>
  );
}

type LeftOverRowProps = { tally: Tally; worked: Worked; currency: Currency };

const LeftOverRow = ({ tally, worked, currency }: LeftOverRowProps): ReactNode => (
  <tr data-last>
    <td data-tone="soft">
      <Word of="tally">Left over</Word>
    </td>
    <td data-numeric data-tone="off">
      {worked.problem ? "✗" : ""}
    </td>
    <td data-numeric>
      <Total large tone={leftOf(tally, worked) === 0 ? "good" : "off"} testId="left-over">
        {formatAmount(leftOf(tally, worked), currency)}
      </Total>
    </td>
  </tr>
);

type CreditRowProps = {
  change: (tally: Tally) => void;
  credit: OnAccount;
  currency: Currency;
  tally: Tally;
  today: Day;
  worked: Worked;
};
function CreditRow(props: CreditRowProps): ReactNode {
  const { change, credit, currency, tally, today, worked } = props;
  const used = sumOf(
    worked.credits.filter(({ receiptId }) => receiptId === credit.receiptId),
    ({ amount }) => amount,
  );
  const ticked = tally.credits.some(({ receiptId }) => receiptId === credit.receiptId);
  return (
    <tr>
      <td>
        <label>
          <Tick
            checked={ticked}
            onChange={() =>
              change({
                ...tally,
                credits: ticked
                  ? tally.credits.filter(({ receiptId }) => receiptId !== credit.receiptId)
                  : [...tally.credits, credit],
              })
            }
          />{" "}
          use what stands on account since {formatDay(credit.on, today)}
        </label>
      </td>
      <td data-numeric data-tone="soft">
        {formatAmount(credit.sum, currency)}
      </td>
      <td data-numeric data-sum>
        {used > 0 ? (
          <span title="besides this receipt">({formatAmount(used, currency)})</span>
        ) : (
          "–"
        )}
      </td>
    </tr>
  );
}

/** What is still open of an item after this receipt and the credits that go along. */
function shortOf(term: Tally["terms"][number], at: number, worked: Worked): number {
  const line = worked.lines[at];
  const along = sumOf(
    worked.credits.filter(({ itemId }) => itemId === term.itemId),
    ({ amount }) => amount,
  );
  return line ? term.open - line.amount - line.discount - along : 0;
}

type TermRowProps = {
  at: number;
  currency: Currency;
  limit: number;
  post: () => void;
  set: (at: number, part: Partial<Tally["terms"][number]>) => void;
  short: number;
  term: Term;
};
function TermRow({ at, currency, limit, post, set, short, term }: TermRowProps): ReactNode {
  return (
    <tr>
      <td>
        <b data-strong>{term.number}</b> {term.description}
        {term.discount !== 0 ? (
          <span data-tone="soft"> less discount {formatAmount(term.discount, currency)}</span>
        ) : null}
        {short > 0 && term.open > 0 ? (
          <chakra.label data-tone="waits" marginLeft="6px" whiteSpace="nowrap">
            <Tick
              checked={term.small}
              onChange={(event) => set(at, { small: event.target.checked })}
            />{" "}
            write off {formatAmount(short, currency)}
            {short > limit ? ", by two" : ""}
          </chakra.label>
        ) : null}
      </td>
      <td data-numeric data-tone="soft">
        {formatAmount(term.open, currency)}
      </td>
      <td data-numeric>
        <LineField
          aria-label={`From this to ${term.number}`}
          value={term.amount}
          inputMode="decimal"
          onChange={(event) => set(at, { amount: event.target.value })}
          onKeyDown={(event) => {
            if (event.key === "Enter") post();
            if (event.key === "Escape") event.currentTarget.blur();
          }}
        />
      </td>
    </tr>
  );
}
const leftOf = (tally: Tally, worked: Worked): number =>
  tally.restOnAccount && worked.left > 0 ? 0 : worked.left;
