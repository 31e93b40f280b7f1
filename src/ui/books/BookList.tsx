import NextLink from "next/link";
import type { ReactNode } from "react";

import type { BookLine } from "@/contracts/start";
import { formatDay } from "@/core/calendar";

import { DetailTable } from "../kit/tables";

/** The books there are: whose each is, when something was last done in it, and what waits. */
export function BookList({ books }: { books: readonly BookLine[] }): ReactNode {
  return (
    <DetailTable aria-label="Books">
      <tbody>
        {books.map((line) => (
          <tr key={line.book}>
            <td>
              <NextLink href={`/b/${line.book}/match`}>
                <b data-strong>{line.name}</b>
              </NextLink>{" "}
              <span data-tone="soft">{line.book}</span>
            </td>
            <td data-tone="soft">
              {line.lastOn === null ? "nothing done yet" : `last ${formatDay(line.lastOn)}`}
            </td>
            <td data-tone={line.problem === null ? "waits" : "off"} data-wrap>
              {line.problem ?? waitingInWords(line.waiting)}
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

/** What waits in a book, in few words; a dash for nothing. */
export function waitingInWords({ arrivals, match, payouts }: BookLine["waiting"]): string {
  const some = (count: number, one: string, many: string): string[] =>
    count === 0 ? [] : [`${count} ${count === 1 ? one : many}`];
  return (
    [
      ...some(arrivals, "file", "files"),
      ...some(match, "receipt to match", "receipts to match"),
      ...some(payouts, "payout to tie", "payouts to tie"),
    ].join(", ") || "–"
  );
}
