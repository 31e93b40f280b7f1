import type { FileQuestion } from "@/contracts/arrivals";
import { addDays, formatDay } from "@/core/calendar";
import { advicesOf, type RemittanceRecord } from "@/core/formats";
import { type AdviceTold, remittancesNear } from "@/db/remittances";
import type { CommandContext } from "@/server/runtime/context";

import { bareNumber, mayBeOneName } from "./alikeWords";
import { sameQuestion } from "./sameQuestion";

type Advice = ReturnType<typeof advicesOf>[number];

/** One payment is told of when it is made out, and when it goes. */
const DAYS_APART = 4;

/** How an advice stands in the book: as one of it, perhaps as one of another number or day, or not. */
export type Standing = "known" | "perhaps" | "new";

/**
 * Whether an advice came before: of the same payment, or, where one of the two does not number it, of
 * the same day and sum for the same invoices, however their numbers are written. Of another number, or
 * a day near it, it may be the same, told by another program.
 */
export function standingOf(ctx: CommandContext, advice: Advice): Standing {
  const { paidOn, sum, trace } = advice;
  const span = [addDays(paidOn, -DAYS_APART), addDays(paidOn, DAYS_APART)] as const;
  const near = remittancesNear(ctx.db, span, sum);
  const ofDay = near.filter((other) => other.paidOn === paidOn);
  if (trace !== "" && ofDay.some((other) => other.trace === trace)) return "known";
  if (ofDay.some((other) => isSameNumber(trace, other.trace) && tellsTheSame(advice, other)))
    return "known";
  return near.some((other) => tellsTheSame(advice, other)) ? "perhaps" : "new";
}

const isSameNumber = (mine: string, theirs: string): boolean =>
  mine === "" ||
  theirs === "" ||
  (bareNumber(mine) !== "" && bareNumber(mine) === bareNumber(theirs));

/** Whether two advices of one sum name the same invoices, and nobody else as their payer. */
function tellsTheSame({ payerName, lines }: Advice, other: AdviceTold): boolean {
  const isOtherPayer =
    payerName !== "" && other.payerName !== "" && !mayBeOneName(payerName, other.payerName);
  const named = lines.map(({ number }) => bareNumber(number)).sort();
  const same = other.numbers.map(bareNumber).sort();
  return !isOtherPayer && !named.includes("") && same.join("\n") === named.join("\n");
}

/** Advices that may stand in the book under another number, or on a day near theirs. */
export function doubledAdvices(
  ctx: CommandContext,
  rows: readonly RemittanceRecord[],
  answers: Readonly<Record<string, string>>,
): FileQuestion[] {
  if (answers.same !== undefined) return [];
  const advices = advicesOf(rows);
  const twins = advices.filter((advice) => standingOf(ctx, advice) === "perhaps");
  const [first] = twins;
  if (!first) return [];
  const sum = ctx.sum(first.sum, first.currency);
  return [
    sameQuestion({
      twins: twins.length,
      lines: advices.length,
      called: ["payment", "payments"],
      by: "by its sum and its invoices, under another number or on a day near",
      where: `${formatDay(first.paidOn, ctx.today)}, ${sum}`,
    }),
  ];
}
