"use client";

import { type KeyboardEvent, memo, type ReactNode } from "react";

import type { TypedLine } from "@/contracts/editor";
import type { BilledBefore, TaxCode, Totals } from "@/core/invoices";
import { type Currency, formatAmount } from "@/core/money";

import { RowButton } from "../../kit/buttons";
import { LineChoice, LineField } from "../../kit/fields";
import { Cell, HeadCell, LineTable } from "../../kit/tables";
import { rateOfAmount, settled } from "./typed";

type LineRowsProps = ForEachLine & {
  lines: readonly TypedLine[];
  totals: Totals | null;
  problem: { line: number; words: string } | null;
};

/** What is the same for every line, and stays the same while one of them is typed. */
type ForEachLine = {
  taxCodes: readonly TaxCode[];
  prices: readonly BilledBefore[];
  currency: Currency;
  change: (at: number, changed: Partial<TypedLine>) => void;
  remove: (at: number) => void;
  paste: (at: number, text: string) => void;
};

/** The lines of a document, typed in place: Enter goes on, and from the last field to the next line. */
export function LineRows(props: LineRowsProps): ReactNode {
  const { lines, totals, problem, taxCodes, prices, currency, change, remove, paste } = props;
  const same: ForEachLine = { taxCodes, prices, currency, change, remove, paste };
  return (
    <>
      <LineTable
        role="table"
        aria-label="Lines"
        data-taxed={taxCodes.length > 0 || undefined}
        onKeyDown={goOn}
      >
        <thead>
          <tr>
            <HeadCell scope="col" textAlign="left">
              Description
            </HeadCell>
            <HeadCell scope="col" data-numeric>
              Quantity
            </HeadCell>
            <HeadCell scope="col" data-numeric>
              Rate
            </HeadCell>
            <HeadCell scope="col" data-numeric>
              Less %
            </HeadCell>
            {taxCodes.length > 0 ? (
              <HeadCell scope="col" textAlign="left">
                Tax
              </HeadCell>
            ) : null}
            <HeadCell scope="col" data-numeric>
              Amount
            </HeadCell>
            <Cell />
          </tr>
        </thead>
        <tbody>
          {lines.map((line, at) => (
            <LineRow
              key={at}
              {...same}
              line={line}
              at={at}
              amount={totals?.lines[at] ?? null}
              wrong={problem?.line === at + 1 ? problem.words : null}
            />
          ))}
        </tbody>
      </LineTable>
      <datalist id="written-before">
        {prices.map(({ description }) => (
          <option key={description} value={description} />
        ))}
      </datalist>
    </>
  );
}

/** Enter goes to the next field of the lines, as Tab does; what is left below is the next line. */
function goOn(event: KeyboardEvent<HTMLElement>): void {
  if (event.key !== "Enter" || event.ctrlKey || event.metaKey) return;
  event.preventDefault();
  const fields = [...event.currentTarget.querySelectorAll<HTMLElement>("input, select")];
  const next = fields[fields.indexOf(event.target as HTMLElement) + 1];
  next?.focus();
  // What is typed next takes the place of what stands there, as after Tab.
  if (next instanceof HTMLInputElement) next.select();
}

type LineRowProps = ForEachLine & {
  line: TypedLine;
  at: number;
  amount: number | null;
  wrong: string | null;
};

/** What a field is for, while nothing is typed in it. */
const SHORT = { quantity: "quantity", rate: "rate", discountPercent: "less %" } as const;

/** Drawn anew only where something of it changed: an invoice may have hundreds of lines. */
const LineRow = memo(function LineRow(props: LineRowProps): ReactNode {
  const { line, at, wrong, taxCodes, remove, change } = props;
  const number = (field: "quantity" | "rate" | "discountPercent", label: string): ReactNode => (
    <td data-numeric>
      <LineField
        width="100%"
        inputMode="decimal"
        aria-label={`${label} of line ${at + 1}`}
        placeholder={SHORT[field]}
        value={line[field]}
        onChange={(event) => change(at, { [field]: event.target.value })}
        onBlur={(event) => {
          const text = settled(event.target.value);
          if (text !== event.target.value) change(at, { [field]: text });
        }}
      />
    </td>
  );
  return (
    <tr>
      <td>
        <Description {...props} />
        {wrong ? (
          <p role="alert" data-tone="off">
            {wrong}
          </p>
        ) : null}
      </td>
      {number("quantity", "Quantity")}
      {number("rate", "Rate")}
      {number("discountPercent", "Discount in percent")}
      {taxCodes.length > 0 ? (
        <td>
          <LineChoice
            kind="words"
            width="100%"
            aria-label={`Tax of line ${at + 1}`}
            value={line.taxCode}
            onChange={(event) => change(at, { taxCode: event.target.value })}
          >
            <option value="">none</option>
            {taxCodes.map(({ code, percent }) => (
              <option key={code} value={code}>
                {code} {percent} %
              </option>
            ))}
          </LineChoice>
        </td>
      ) : null}
      <AmountCell {...props} />
      <Cell textAlign="right">
        <RowButton
          tabIndex={-1}
          data-tone="soft"
          aria-label={`Remove line ${at + 1}`}
          onClick={() => remove(at)}
        >
          ✕
        </RowButton>
      </Cell>
    </tr>
  );
});

/** What a line is for; one that was written before brings its latest rate and tax along. */
function Description({ line, at, prices, change, paste }: LineRowProps): ReactNode {
  const complete = (known: BilledBefore): void =>
    change(at, {
      description: known.description,
      rate: known.rate,
      taxCode: known.taxCode ?? "",
      item: known.item ?? "",
    });
  const take = (description: string): void => {
    const known = prices.find((price) => price.description === description);
    if (known && line.rate === "") complete(known);
    else change(at, { description });
  };
  /** The short name of an item, left alone in the field, becomes its words. */
  const settle = (text: string): void => {
    const named = prices.find(({ item }) => item !== null && item === text.trim());
    if (named && line.rate === "") complete(named);
  };
  return (
    <LineField
      kind="words"
      width="100%"
      list="written-before"
      aria-label={`Description of line ${at + 1}`}
      placeholder={at === 0 ? "what it is for" : ""}
      value={line.description}
      onChange={(event) => take(event.target.value)}
      onBlur={(event) => settle(event.target.value)}
      onPaste={(event) => {
        const text = event.clipboardData.getData("text");
        if (!/[\t\n]/.test(text.trim())) return;
        event.preventDefault();
        paste(at, text);
      }}
    />
  );
}

/** The amount follows from quantity and rate; one that is typed gives the rate. */
function AmountCell({ line, at, amount, currency, change }: LineRowProps): ReactNode {
  const shown = amount === null || line.rate === "" ? "" : formatAmount(amount, currency);
  return (
    <td data-numeric>
      <LineField
        // What is worked out anew is shown anew.
        key={shown}
        width="100%"
        inputMode="decimal"
        aria-label={`Amount of line ${at + 1}`}
        placeholder="amount"
        defaultValue={shown}
        onBlur={(event) => {
          if (event.target.value === shown || event.target.value.trim() === "") return;
          const rate = rateOfAmount(line, event.target.value, currency);
          if (rate === null) event.target.value = shown;
          else change(at, { rate });
        }}
      />
    </td>
  );
}
