import { stringify } from "csv-stringify/sync";

import type { Day } from "@/core/calendar";
import { type Currency, currencyOf, toDecimal } from "@/core/money";

const USD = currencyOf("USD") as Currency;

/** Cells and rows as processors and banks of the practice world write them. */
export const sum = (amount: number, currency: Currency = USD): string =>
  toDecimal(amount, currency);
export const csv = (rows: readonly (readonly string[])[]): string =>
  stringify(
    rows.map((row) => [...row]),
    { record_delimiter: "windows" },
  );
/** 2026-11-24 as 11/24/2026, as American banks and processors write it. */
export const american = (on: Day): string => `${on.slice(5, 7)}/${on.slice(8)}/${on.slice(0, 4)}`;
