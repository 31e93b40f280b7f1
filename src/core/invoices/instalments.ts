import { type Day, dueDay, parseTerms, type Terms } from "@/core/calendar";
import { minor, type Minor, split } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";

import { type Decimal, decimalOf, MOST_PLACES } from "./decimal";

/** One part of a plan: how much of the whole, in millionths of a percent, and its own terms. */
type PlannedPart = { readonly weight: number; readonly said: string; readonly terms: Terms };
export type PaymentPlan = readonly PlannedPart[];

/** A part of an invoice: what falls due when, in minor units, and the terms that it has by itself. */
export type Instalment = { readonly dueOn: Day; readonly sum: Minor; readonly terms: string };

type Refused = "terms.unreadable" | "plan.percent" | "plan.parts";

/**
 * How an invoice is paid: `n/30`, or in parts of it, each with its terms: `30% now; 40% n/30; rest n/60`.
 * Percents have up to six places and make 100; `rest` is what the parts before it leave.
 */
export function readPlan(text: string): Result<PaymentPlan, Refused> {
  const pieces = text.split(/[;+]/).map((piece) => piece.replace(/\s{1,40}/g, " ").trim());
  if (pieces.length === 1) return wholePlan(text);
  if (pieces.length > MOST_PARTS) return fail("plan.parts", { most: MOST_PARTS });
  const parts: PlannedPart[] = [];
  let left = ALL;
  for (const [at, piece] of pieces.entries()) {
    const isLast = at === pieces.length - 1;
    const part = partOf(piece, isLast ? left : null);
    if (!part.ok) return part;
    left -= part.value.weight;
    if (part.value.weight <= 0 || left < 0) return fail("plan.percent", { text: piece });
    parts.push(part.value);
  }
  return left === 0 ? ok(parts) : fail("plan.percent", { text: text.trim() });
}

/** Two years by the month; each part has a letter. */
const MOST_PARTS = 24;
/** A hundred percent, in millionths of one. */
const ALL = 100_000_000;
const PART = /^(?:(\d{1,3}(?:\.\d{1,12})?) ?%|rest) (?=\S)/i;

function wholePlan(text: string): Result<PaymentPlan, Refused> {
  const terms = parseTerms(text);
  return terms.ok ? ok([{ weight: ALL, said: text, terms: terms.value }]) : terms;
}

/** `rest`: what a last part may take where it does not say how much it is. */
function partOf(piece: string, rest: number | null): Result<PlannedPart, Refused> {
  const [begun = "", percent] = PART.exec(piece) ?? [];
  const said = piece.slice(begun.length);
  const terms = parseTerms(said);
  if (!terms.ok) return fail("terms.unreadable", { text: piece });
  if (begun === "") return fail("plan.percent", { text: piece });
  if (percent === undefined)
    return rest === null
      ? fail("plan.percent", { text: piece })
      : ok({ weight: rest, said, terms: terms.value });
  const weight = decimalOf(percent);
  if (!weight.ok) return fail("plan.percent", { text: piece });
  return ok({ weight: inMillionths(weight.value), said, terms: terms.value });
}

const inMillionths = ({ units, places }: Decimal): number =>
  Number(units) * 10 ** (MOST_PLACES - places);

/**
 * The parts of a total by their due days, the earliest first; cents are split by largest remainder,
 * so that the parts make the total. A part of nothing is none.
 * @example 1,000.00 as `30% now; rest n/30`: 300.00 and 700.00
 */
export function instalmentsOf(plan: PaymentPlan, issuedOn: Day, total: Minor): Instalment[] {
  const sums = split(
    total,
    plan.map(({ weight }) => weight),
  );
  return plan
    .map(({ said, terms }, at) => ({
      dueOn: dueDay(issuedOn, terms),
      sum: sums[at] ?? minor(0),
      terms: said,
    }))
    .filter(({ sum }) => sum !== 0 || plan.length === 1)
    .sort((a, b) => a.dueOn.localeCompare(b.dueOn));
}
