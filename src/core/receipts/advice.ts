import { type Day, daysBetween } from "@/core/calendar";
import { type Currency, type Minor, sumOf } from "@/core/money";

/** Advice of what was paid, by payment, with what was paid on each document. */
export type Advised = {
  readonly id: number;
  readonly trace: string;
  readonly paidOn: Day;
  readonly currency: Currency;
  readonly sum: Minor;
  readonly payerName: string;
  readonly lines: readonly { readonly lineNo: number; readonly amount: Minor }[];
};
/** A receipt that waits and has no advice. */
export type Unadvised = {
  readonly id: number;
  readonly paidOn: Day;
  readonly currency: Currency;
  readonly amount: Minor;
  readonly payerName: string;
  readonly reference: string;
};
/** Which receipt an advice, or some of its lines, tells of. */
export type Joined = {
  readonly adviceId: number;
  readonly receiptId: number;
  /** Null: all of its lines. */
  readonly lineNos: readonly number[] | null;
};

/** A payment and its advice are at most so many days apart. */
export const ADVICE_DAYS = 7;
/** So many advices for one receipt, receipts for one advice, and things to choose from, are looked through. */
const MOST_TOGETHER = 5;
const MOST_CHOICES = 14;
const MOST_LOOSE = 300;

const lettersOf = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, "");
/** A trace without what programs put around it: zeros in front may be lost. */
const bare = (text: string): string => lettersOf(text).replace(/^0+/, "");
/** Words that many businesses have in their names. */
const COMMON = /^(?:THE|AND|INC|LLC|LTD|CORP|COMPANY|GMBH|SCHOOLS?|STUDIOS?|SERVICES|GROUP)$/;

/**
 * Whether two names can be of one sender: one begins the other, as where a field takes 16 characters
 * (Nacha), or they share a word of their own. A name that nobody wrote can be anybody's.
 */
export function sameSender(one: string, other: string): boolean {
  const [a, b] = [lettersOf(one), lettersOf(other)];
  if (a === "" || b === "" || a.startsWith(b) || b.startsWith(a)) return true;
  const own = (text: string): string[] =>
    text
      .toUpperCase()
      .match(/[A-Z0-9]{4,}/g)
      ?.filter((word) => !COMMON.test(word)) ?? [];
  const words = new Set(own(one));
  return own(other).some((word) => words.has(word));
}

const isNear = (advice: Advised, receipt: Unadvised): boolean =>
  advice.currency === receipt.currency &&
  Math.abs(daysBetween(advice.paidOn, receipt.paidOn)) <= ADVICE_DAYS;
const isNamed = ({ trace }: Advised, { reference }: Unadvised): boolean =>
  bare(trace).length >= 4 && bare(reference).includes(bare(trace));
const isFrom = (advice: Advised, receipt: Unadvised): boolean =>
  sameSender(advice.payerName, receipt.payerName || receipt.reference);

/**
 * Which receipts advices tell of: by their trace, else by sum, day and sender; several of one sender
 * that come to one receipt, and one that comes to several, each with its lines. Wherever two answers
 * are possible there is none.
 */
export function joinAdvice(advices: readonly Advised[], receipts: readonly Unadvised[]): Joined[] {
  const joined: Joined[] = [];
  const left = { advices: new Set(advices), receipts: new Set(receipts) };
  const take = (found: readonly Joined[]): void => {
    const [ofAdvices, ofReceipts] = [
      new Set(found.map(({ adviceId }) => adviceId)),
      new Set(found.map(({ receiptId }) => receiptId)),
    ];
    for (const advice of left.advices) if (ofAdvices.has(advice.id)) left.advices.delete(advice);
    for (const receipt of left.receipts)
      if (ofReceipts.has(receipt.id)) left.receipts.delete(receipt);
    joined.push(...found);
  };
  for (const fits of [isNamed, isFrom])
    take(onlyPairs([...left.advices], [...left.receipts], fits));
  // Where very many are loose, sets of them say nothing.
  if (left.advices.size > MOST_LOOSE) return joined;
  const several = [...left.receipts].flatMap((receipt) => severalFor(receipt, [...left.advices]));
  take(withoutShared(several));
  for (const advice of [...left.advices]) take(forSeveral(advice, [...left.receipts]));
  return joined;
}

/** Sets of advices for receipts; none of an advice that two receipts would have. */
function withoutShared(several: readonly Joined[]): Joined[] {
  const counts = countsOf(several, ({ adviceId }) => adviceId);
  const doubtful = new Set(
    several
      .filter(({ adviceId }) => (counts.get(adviceId) ?? 0) > 1)
      .map(({ receiptId }) => receiptId),
  );
  return several.filter(({ receiptId }) => !doubtful.has(receiptId));
}

function countsOf(joined: readonly Joined[], of: (one: Joined) => number): Map<number, number> {
  const counts = new Map<number, number>();
  for (const one of joined) counts.set(of(one), (counts.get(of(one)) ?? 0) + 1);
  return counts;
}

/** Pairs of which neither has another that it fits. */
function onlyPairs(
  advices: readonly Advised[],
  receipts: readonly Unadvised[],
  fits: (advice: Advised, receipt: Unadvised) => boolean,
): Joined[] {
  const bySum = new Map<number, Unadvised[]>();
  for (const receipt of receipts)
    bySum.set(receipt.amount, [...(bySum.get(receipt.amount) ?? []), receipt]);
  const pairs = advices.flatMap((advice) =>
    (bySum.get(advice.sum) ?? [])
      .filter((receipt) => isNear(advice, receipt) && fits(advice, receipt))
      .map((receipt) => ({ adviceId: advice.id, receiptId: receipt.id, lineNos: null })),
  );
  const ofAdvice = countsOf(pairs, ({ adviceId }) => adviceId);
  const ofReceipt = countsOf(pairs, ({ receiptId }) => receiptId);
  return pairs.filter(
    ({ adviceId, receiptId }) => ofAdvice.get(adviceId) === 1 && ofReceipt.get(receiptId) === 1,
  );
}

/** Several advices of one sender that come to one receipt. */
function severalFor(receipt: Unadvised, advices: readonly Advised[]): Joined[] {
  const own = advices.filter(
    (advice) =>
      isNear(advice, receipt) &&
      (isNamed(advice, receipt) || (advice.payerName !== "" && isFrom(advice, receipt))),
  );
  const set = onlySet(own, receipt.amount, ({ sum }) => sum);
  return (set ?? []).map(({ id }) => ({ adviceId: id, receiptId: receipt.id, lineNos: null }));
}

/** One advice that comes to several receipts of its sender, its lines parted among them. */
function forSeveral(advice: Advised, receipts: readonly Unadvised[]): Joined[] {
  if (advice.payerName === "") return [];
  const own = receipts.filter((receipt) => isNear(advice, receipt) && isFrom(advice, receipt));
  const set = onlySet(own, advice.sum, ({ amount }) => amount);
  return set === null ? [] : parted(advice, set);
}

/** Each receipt with the lines that come to it; none where they can be parted in two ways. */
function parted(advice: Advised, receipts: readonly Unadvised[]): Joined[] {
  const joined: Joined[] = [];
  let lines = advice.lines;
  if (sumOf(lines, ({ amount }) => amount) !== advice.sum) return [];
  for (const receipt of receipts.slice(0, -1)) {
    const own = onlySet(lines, receipt.amount, ({ amount }) => amount, 1);
    if (own === null) return [];
    joined.push({
      adviceId: advice.id,
      receiptId: receipt.id,
      lineNos: own.map(({ lineNo }) => lineNo),
    });
    lines = lines.filter((line) => !own.includes(line));
  }
  const last = receipts.at(-1);
  return last
    ? [
        ...joined,
        { adviceId: advice.id, receiptId: last.id, lineNos: lines.map(({ lineNo }) => lineNo) },
      ]
    : [];
}

/** The one set of at least two (or of `least`) that comes to a sum; null where there is none, or another. */
function onlySet<Thing>(
  things: readonly Thing[],
  sum: number,
  of: (thing: Thing) => number,
  least = 2,
): Thing[] | null {
  if (things.length > MOST_CHOICES) return null;
  const found: Thing[][] = [];
  const search = (at: number, chosen: readonly Thing[], open: number): void => {
    if (found.length > 1) return;
    if (open === 0 && chosen.length >= least) found.push([...chosen]);
    if (chosen.length === MOST_TOGETHER && least > 1) return;
    for (let next = at; next < things.length; next += 1) {
      const thing = things[next] as Thing;
      search(next + 1, [...chosen, thing], open - of(thing));
    }
  };
  search(0, [], sum);
  return found.length === 1 ? (found[0] ?? null) : null;
}
