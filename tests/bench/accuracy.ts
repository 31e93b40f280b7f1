import { type MatchingInput, type Proposal, propose } from "@/core/matching";

import { generate, type Labelled, type Truth } from "./books/generate";
import { trial } from "./books/trial";
import type { Measure } from "./measure";

type Count = {
  all: number;
  applied: number;
  appliedRight: number;
  clear: number;
  clearApplied: number;
  clearBest: number;
  home: number;
  homeBest: number;
  brier: number;
};
const none = (): Count => ({
  all: 0,
  applied: 0,
  appliedRight: 0,
  clear: 0,
  clearApplied: 0,
  clearBest: 0,
  home: 0,
  homeBest: 0,
  brier: 0,
});

/** Exactly right: customer, invoices, sums and discounts. */
export function right(
  proposal: Proposal,
  truth: Truth,
  numbers: ReadonlyMap<number, string>,
): boolean {
  const best = proposal.readings[0];
  if (!best || truth.customerId === null) return false;
  const said = best.lines
    .map((line) => `${numbers.get(line.itemId)} ${line.amount} ${line.discount}`)
    .sort()
    .join();
  return (
    best.customerId !== null &&
    said ===
      truth.lines
        .map((line) => `${line.number} ${line.amount} ${line.discount}`)
        .sort()
        .join() &&
    truth.lines.length > 0
  );
}

type Why = Map<string, { wrong: number; missed: number; all: number; shown: string[] }>;

type ProposalJudged = {
  why: Why;
  input: MatchingInput;
  proposal: Proposal;
  real: Truth;
  ok: boolean;
};

/** Keeps what went wrong, by class, in words to look at. */
function note({ why, input, proposal, real, ok }: ProposalJudged): void {
  const entry = why.get(real.kind) ?? { wrong: 0, missed: 0, all: 0, shown: [] };
  why.set(real.kind, entry);
  entry.all += 1;
  const [best, receipt] = [
    proposal.readings[0],
    input.receipts.find(({ id }) => id === proposal.receiptId),
  ];
  const told = `${proposal.decision} ${best?.lines.map((line) => `${line.number}:${line.amount}`).join("+") ?? "-"} @${best?.customerId} ${best?.confidence} want ${real.lines.map((line) => `${line.number}:${line.amount}${line.discount ? `-${line.discount}` : ""}`).join("+")} @${real.customerId} | ${receipt?.amount} “${receipt?.payerName}” ${receipt?.payerEmail} “${receipt?.reference}” [${best?.reasons.map(({ code }) => code).join()}]`;
  if (proposal.decision === "sure" && !ok) {
    entry.wrong += 1;
    entry.shown.unshift(`WRONG ${told}`);
  } else if (real.clear && proposal.decision !== "sure") {
    entry.missed += 1;
    if (entry.shown.length < 3) entry.shown.push(`${ok ? "unsure" : "MISREAD"} ${told}`);
  }
}

/**
 * Precision, recall and calibration on made-up books whose truth is known; `why` collects what went
 * wrong, by class.
 */
export function accuracy(
  seeds: readonly number[],
  hard: boolean,
  why?: Why,
  make: (seed: number, hard: boolean) => Labelled = generate,
): Count & { deciles: string[] } {
  const count = none();
  const bins = Array.from({ length: 10 }, () => ({ n: 0, sure: 0, right: 0 }));
  for (const seed of seeds) {
    const { input, truth } = make(seed, hard);
    const numbers = new Map(input.items.map((item) => [item.id, item.number]));
    for (const proposal of propose(input)) {
      const real = truth.get(proposal.receiptId);
      if (!real) continue;
      const ok = right(proposal, real, numbers);
      const best = proposal.readings[0];
      count.all += 1;
      if (proposal.decision === "sure") {
        count.applied += 1;
        if (ok) count.appliedRight += 1;
      }
      if (real.clear) {
        count.clear += 1;
        if (proposal.decision === "sure") count.clearApplied += 1;
        if (ok) count.clearBest += 1;
      }
      if (real.lines.length > 0) {
        count.home += 1;
        if (ok) count.homeBest += 1;
      }
      const confidence = proposal.decision === "none" ? 0 : (best?.confidence ?? 0);
      count.brier += (confidence - (ok ? 1 : 0)) ** 2;
      if (proposal.decision !== "none") {
        const bin = bins[Math.min(9, Math.floor(confidence * 10))];
        if (bin) {
          bin.n += 1;
          bin.sure += confidence;
          bin.right += ok ? 1 : 0;
        }
      }
      if (why) note({ why, input, proposal, real, ok });
    }
  }
  return {
    ...count,
    brier: count.brier / Math.max(1, count.all),
    deciles: bins.map(({ n, sure, right: hits }) =>
      n === 0 ? "–" : `${n}: ${(sure / n).toFixed(2)} said, ${(hits / n).toFixed(2)} so`,
    ),
  };
}

const percent = (a: number, b: number): string =>
  b === 0 ? "–" : `${((100 * a) / b).toFixed(2)} %`;

const MAKERS = [
  ["first maker", generate],
  ["second maker", trial],
] as const;

/**
 * Precision and recall by class of receipt, worst recall first: what a payment was for, and what
 * happened to its words.
 */
export function qualityByClass(): Measure[] {
  return MAKERS.flatMap(([name, make]) => {
    const why: Why = new Map();
    accuracy(
      Array.from({ length: 24 }, (_, at) => 9000 + at),
      true,
      why,
      make,
    );
    const classes = new Map<string, { all: number; wrong: number; missed: number }>();
    for (const [kind, { all, wrong, missed }] of why) {
      for (const part of new Set(kind.split(/, |\+/))) {
        const known = classes.get(part) ?? { all: 0, wrong: 0, missed: 0 };
        classes.set(part, {
          all: known.all + all,
          wrong: known.wrong + wrong,
          missed: known.missed + missed,
        });
      }
    }
    return [...classes]
      .filter(([, { all }]) => all >= 30)
      .sort(([, a], [, b]) => b.missed / b.all - a.missed / a.all)
      .map(([part, { all, wrong, missed }]) => ({
        work: `${part}, hardest books, ${name} (${all})`,
        took: `${wrong} applied wrongly, ${percent(missed, all)} clear but not applied`,
        must: "0.5 %, 15 %",
      }));
  });
}
