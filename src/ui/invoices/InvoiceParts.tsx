import NextLink from "next/link";
import type { ReactNode } from "react";

import type { Written } from "@/contracts/invoices";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { Amount } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { HeadCell, TermTable } from "../kit/tables";

type Props = Pick<BookFacts, "book" | "currency" | "today"> & {
  parts: Written["parts"];
  /** The part whose page this is. */
  here: number;
};

/** What of an invoice in instalments falls due when, and what is left of each. */
export function InvoiceParts({ parts, here, book, currency, today }: Props): ReactNode {
  if (parts.length === 0) return null;
  return (
    <>
      <Subheading>Due in {parts.length} parts</Subheading>
      <TermTable aria-label="Parts" width="100%">
        <thead>
          <tr>
            <HeadCell scope="col" textAlign="left">
              Part
            </HeadCell>
            <HeadCell scope="col" textAlign="left">
              Due
            </HeadCell>
            <HeadCell scope="col" data-numeric>
              Amount
            </HeadCell>
            <HeadCell scope="col" data-numeric>
              Open
            </HeadCell>
          </tr>
        </thead>
        <tbody>
          {parts.map(({ itemId, number, dueOn, sum, balance }) => (
            <tr key={itemId}>
              <td>
                {itemId === here ? (
                  <b data-strong>{number}</b>
                ) : (
                  <NextLink href={`/b/${book}/invoices/${itemId}`}>{number}</NextLink>
                )}
              </td>
              <td>{formatDay(dueOn, today)}</td>
              <td data-numeric data-sum>
                <Amount of={sum} currency={currency} />
              </td>
              <td data-numeric data-sum>
                <Amount of={balance} currency={currency} />
              </td>
            </tr>
          ))}
        </tbody>
      </TermTable>
    </>
  );
}
