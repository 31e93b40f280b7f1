"use client";

import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { ledgerListRecipe } from "./recipes/ledgerList";
import { detailTableRecipe, lineTableRecipe, tallyRecipe } from "./recipes/tables";

/** The frame of a ledger page's list; `LedgerList` and `LongList` stand on it. */
export const LedgerFrame = chakra("div", ledgerListRecipe);
/** The table within the frame of a ledger page. */
export const LedgerTable = chakra("table");
/** The small table of details beside the work. */
export const DetailTable = chakra("table", detailTableRecipe);
/** The terms of a sum. */
export const TermTable = chakra("table", tallyRecipe);
/** Lines that are typed in place. */
export const LineTable = chakra("table", lineTableRecipe);
/** A cell of a detail table that is set apart; in long lists cells stay plain. */
export const Cell = chakra("td");
/** A head of a column, or of a row, that is set apart. */
export const HeadCell = chakra("th");

/** A column's head: words; over numbers; or said to those alone who do not see the table. */
type Head = string | { readonly number: string } | { readonly hidden: string };

/** The heads of a table. */
export function Heads({ of }: { of: readonly Head[] }): ReactNode {
  return (
    <thead>
      <tr>
        {of.map((head) => {
          if (typeof head === "string")
            return (
              <th key={head} scope="col">
                {head}
              </th>
            );
          return "number" in head ? (
            <th data-numeric key={head.number} scope="col">
              {head.number}
            </th>
          ) : (
            <th key={head.hidden} scope="col">
              <span data-hidden>{head.hidden}</span>
            </th>
          );
        })}
      </tr>
    </thead>
  );
}

/** The one row of a detail table that has none: what is said instead. */
export function NoneRow({
  of,
  children,
}: {
  of: readonly unknown[];
  children: ReactNode;
}): ReactNode {
  return of.length > 0 ? null : (
    <tr>
      <td data-tone="soft">{children}</td>
    </tr>
  );
}
