"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { CardRunningOut } from "@/contracts/paying";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

type Props = Pick<BookFacts, "book" | "today"> & { cards: readonly CardRunningOut[] };

/** Cards on file that cannot be used much longer, and the letter that asks for others. */
export function CardsRunningOut({ cards, book, today }: Props): ReactNode {
  const { act, busy } = useActing();
  if (cards.length === 0) return null;
  const waiting = cards.filter(({ askedOn }) => askedOn === null).map(({ methodId }) => methodId);
  const ask = (): void =>
    void act<{ sent: number; unreached: string[] }>(
      "askForCard",
      { methodIds: waiting },
      ({ sent, unreached }) => ({
        words: `${sent} asked for another card${unreached[0] ? `; no mail reaches ${unreached.join(", ")}` : ""}.`,
        final: "A letter that left cannot be taken back.",
      }),
    );
  return (
    <Section paddingTop="20px">
      <Subheading>
        Cards that run out <span data-tone="soft">{cards.length}</span>{" "}
        {waiting.length > 0 ? (
          <Act disabled={busy} onClick={ask}>
            Ask {waiting.length} for another
          </Act>
        ) : null}
      </Subheading>
      <DetailTable aria-label="Cards that run out">
        <tbody>
          {cards.map(({ methodId, customerId, customer, method, lastDay, agreed, askedOn }) => (
            <tr key={methodId}>
              <td>
                <NextLink href={`/b/${book}/customers/${customerId}`}>{customer}</NextLink>
              </td>
              <td>
                {method}
                {agreed ? <span data-tone="soft">, what is due is taken from it</span> : null}
              </td>
              <Cell data-tone={lastDay < today ? "off" : "waits"}>
                {lastDay < today ? "ran out" : "until"} {formatDay(lastDay, today)}
              </Cell>
              <Cell data-tone="soft">
                {askedOn === null ? "" : `asked for another on ${formatDay(askedOn, today)}`}
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}
