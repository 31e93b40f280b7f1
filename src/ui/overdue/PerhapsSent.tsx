"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { PerhapsSentLetter } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";

import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

type Props = { book: string; letters: readonly PerhapsSentLetter[]; today: Day };

/**
 * Letters that were with the mail server when the program ended: only somebody who asks knows whether
 * they went, and none goes a second time by itself.
 */
export function PerhapsSent({ book, letters, today }: Props): ReactNode {
  if (letters.length === 0) return null;
  return (
    <Section>
      <Subheading>
        Perhaps sent{" "}
        <span data-tone="soft" data-light>
          the program ended while the mail server had them: ask, or look into the mailbox
        </span>
      </Subheading>
      <DetailTable aria-label="Perhaps sent">
        <tbody>
          {letters.map((letter) => (
            <tr key={letter.id}>
              <td title={letter.to}>
                <NextLink href={`/b/${book}/customers/${letter.customerId}`} prefetch={false}>
                  {letter.customer}
                </NextLink>
                <br />
                <span data-tone="waits">{formatDay(letter.onDay, today)}</span>{" "}
                <span data-tone="soft">to {letter.to}</span>
              </td>
              <Cell data-numeric width="180px" verticalAlign="top">
                <Settle letter={letter} />
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}

function Settle({ letter }: { letter: PerhapsSentLetter }): ReactNode {
  const { act, busy } = useActing();
  const settle = (arrived: boolean): void =>
    void act("settleLetter", { letterId: letter.id, arrived }, () => ({
      words: arrived ? `Noted: ${letter.customer} has it.` : `It goes to ${letter.to} again.`,
    }));
  return (
    <>
      <RowButton data-strong disabled={busy} onClick={() => settle(true)}>
        it arrived
      </RowButton>{" "}
      <RowButton data-strong disabled={busy} onClick={() => settle(false)}>
        send again
      </RowButton>
    </>
  );
}
