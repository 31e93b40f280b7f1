"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { PerhapsSentLetter, RunLetter } from "@/contracts/overdue";
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { BackAddress } from "@/core/parties";

import { Amount } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { SumLink } from "../kit/SumLink";
import { DetailTable, NoneRow } from "../kit/tables";
import { PerhapsSent } from "./PerhapsSent";
import { ReturnedLetters } from "./ReturnedLetters";

export type Props = {
  book: string;
  currency: Currency;
  letters: RunLetter[];
  count: number;
  page: number;
  pageRows: number;
  going: { customerId: number; sum: Minor }[];
  others: { customerId: number; name: string; act: string; sum: Minor }[];
  held: { why: string; count: number; sum: Minor }[];
  today: Day;
  back: BackAddress[];
  perhaps: PerhapsSentLetter[];
  /** Files that wait in Arrivals, by name. */
  filesWaiting: string[];
  /** Of how many customers alone, where some were chosen; null for all. */
  chosen: number | null;
};
type BesideLettersProps = {
  back: Props["back"];
  perhaps: Props["perhaps"];
  book: Props["book"];
  currency: Props["currency"];
  held: Props["held"];
  others: Props["others"];
  today: Props["today"];
};
export function BesideLetters({
  back,
  perhaps,
  book,
  currency,
  held,
  others,
  today,
}: BesideLettersProps): ReactNode {
  return (
    <Halves flex="0 1 auto" minHeight="132px" maxHeight="210px" ratio="thirds">
      <Section>
        <Subheading>
          By another way than a letter <span data-tone="soft">{others.length}</span>
        </Subheading>
        <DetailTable aria-label="Calls and tasks">
          <tbody>
            {others.slice(0, 12).map((other) => (
              <tr key={other.customerId}>
                <td>
                  <NextLink href={`/b/${book}/overdue?open=${other.customerId}`} prefetch={false}>
                    {other.name}
                  </NextLink>
                </td>
                <td data-tone="soft">{other.act}</td>
                <td data-numeric>
                  <Amount of={other.sum} currency={currency} />
                </td>
              </tr>
            ))}
            <NoneRow of={others}>None today.</NoneRow>
          </tbody>
        </DetailTable>
      </Section>
      <Section>
        <Subheading>Held back, and why</Subheading>
        <DetailTable aria-label="Held back">
          <tbody>
            {held.map((entry) => (
              <tr key={entry.why}>
                <td data-tone="waits">{entry.why}</td>
                <td data-tone="soft">{entry.count}</td>
                <td data-numeric>
                  <SumLink of={entry.sum} currency={currency} href="?state=waits" />
                </td>
              </tr>
            ))}
            <NoneRow of={held}>Nobody.</NoneRow>
          </tbody>
        </DetailTable>
      </Section>
      <PerhapsSent book={book} letters={perhaps} today={today} />
      <ReturnedLetters book={book} back={back} today={today} />
    </Halves>
  );
}
