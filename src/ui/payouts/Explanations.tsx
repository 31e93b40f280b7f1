"use client";

import type { ReactNode } from "react";

import type { Explanation } from "@/contracts/payouts";
import { type Currency, formatAmount } from "@/core/money";

import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { DetailTable } from "../kit/tables";

/** What a remedy does, as a button says it. */
export function remedyWords(
  { remedy, moved }: Pick<Explanation, "remedy" | "moved">,
  off: number,
  currency: Currency,
): string {
  const named = moved.map(({ words }) => words).join(" and ");
  const [from] = moved.flatMap((item) => item.from ?? []);
  switch (remedy.as) {
    case "fee":
      return off < 0
        ? `Book ${formatAmount(-off, currency)} as a ${remedy.kind} fee`
        : `Book ${formatAmount(off, currency)} as a fee given back`;
    case "take_in":
      return from === undefined
        ? `Take ${named} into this payout, and tie`
        : `Take ${named} out of payout ${from} into this one, and tie`;
    case "take_out":
      return `Leave ${named} for another payout, and tie`;
    case "ask":
      return "Ask the processor: the file is wrong";
    default:
      throw remedy satisfies never;
  }
}
export function Explanations({
  explanations,
  off,
  currency,
  none,
  tie,
}: {
  explanations: readonly Explanation[];
  off: number;
  currency: Currency;
  none: boolean;
  tie: (difference: object) => void;
}): ReactNode {
  if (explanations.length === 0)
    return (
      <p data-tone="waits">
        Nothing in the book explains {formatAmount(off, currency)}. Park it with a reason, and the
        proofs go on showing it.
      </p>
    );
  return (
    <>
      <Subheading>What would explain it</Subheading>
      <DetailTable aria-label="What would explain it">
        <tbody>
          {explanations.map(({ code, words, remedy, moved }, at) => (
            <tr key={`${code} ${at}`}>
              <td data-wrap>
                {remedy.as === "ask" ? (
                  <span data-tone="soft">
                    {words}: {remedyWords({ remedy, moved }, off, currency)}
                  </span>
                ) : (
                  <RowButton
                    disabled={none}
                    onClick={() => tie(remedy)}
                    title={remedyWords({ remedy, moved }, off, currency)}
                  >
                    <kbd>{at + 1}</kbd> {words}
                  </RowButton>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
