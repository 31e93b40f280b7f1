"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { Untold } from "@/contracts/paying";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

type Props = Pick<BookFacts, "book" | "today"> & { untold: readonly Untold[] };

/** Sums that differ from what was taken before and come to be taken: their customers are told first. */
export function SumsToTell({ untold, book, today }: Props): ReactNode {
  const { act, busy } = useActing();
  if (untold.length === 0) return null;
  const tell = (): void =>
    void act<{ told: number; unreached: string[] }>(
      "tellSums",
      { keys: untold.map(({ key }) => key) },
      ({ told, unreached }) => ({
        words: `${told} told what will be taken${unreached[0] ? `; no mail reaches ${unreached.join(", ")}` : ""}.`,
        final: "A letter that left cannot be taken back.",
      }),
    );
  return (
    <Section paddingTop="20px">
      <Subheading>
        Sums that their customers do not know yet <span data-tone="soft">{untold.length}</span>{" "}
        <Act disabled={busy} onClick={tell}>
          Tell {untold.length === 1 ? "it" : `all ${untold.length}`}
        </Act>
      </Subheading>
      <DetailTable aria-label="Sums that their customers do not know yet">
        <tbody>
          {untold.map(({ key, customerId, customer, numbers, amount, currency, from }) => (
            <tr key={key}>
              <td>
                <NextLink href={`/b/${book}/customers/${customerId}`}>{customer}</NextLink>
              </td>
              <Cell data-tone="soft">{numbers.join(", ")}</Cell>
              <Cell data-tone="waits">told today, taken from {formatDay(from, today)} on</Cell>
              <Cell data-numeric data-sum width="110px">
                <Amount of={amount} currency={currency} />
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}
