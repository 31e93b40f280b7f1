import { type Draft, OUT_TO_THE_CENT } from "../candidates/candidate";
import { listOf } from "../lists";

/** A receipt that only its sum speaks for, with the readings of it that come out to the cent, best first. */
export type Contender = { readonly id: number; readonly drafts: readonly Draft[] };

/** Receipts that share claims and are solved exactly together, and how many tries that may take. */
const MOST_TOGETHER = 40;
const MOST_TRIES = 50_000;

/** The readings by sum alone that settle whole items. */
export function exactOnes(drafts: readonly Draft[]): Draft[] {
  return drafts.filter(
    (draft) =>
      draft.numbers === "none" &&
      draft.lines.length > 0 &&
      draft.onAccount === 0 &&
      OUT_TO_THE_CENT.has(draft.sum),
  );
}

const balancesOf = (draft: Pick<Draft, "lines">): number[] =>
  draft.lines.map((line) => line.amount + line.discount).sort((a, b) => a - b);

/**
 * What a reading takes, as the balances of its items: equal items stand for each other, the oldest
 * goes first when it comes to it.
 */
export function takes(draft: Pick<Draft, "lines">): string {
  return balancesOf(draft).join(" ");
}

type Choice = { readonly draft: Draft; readonly takes: readonly number[] };
type Claimant = { readonly id: number; readonly choices: readonly Choice[]; readonly top: number };
/** A reading for some of the claimants, by their ids. */
type Chosen = {
  readonly of: ReadonlyMap<number, Choice>;
  readonly count: number;
  readonly score: number;
};

/**
 * One reading for each of a customer's receipts, no item in two of them, so
 * that as many as possible come out; among equals the better evidence. Receipts
 * that share claims are looked at together: exactly up to the bounds above (an
 * integer program in the tests finds the same), beyond them the better of
 * several orders. `balances` are those of the items that are free. Gives what
 * each chosen reading takes, by receipt.
 */
export function assign(
  contenders: readonly Contender[],
  balances: readonly number[],
): Map<number, string> {
  const free = new Free(balances);
  const claimants = contenders
    .map(({ id, drafts }): Claimant => {
      const choices = drafts.map((draft) => ({ draft, takes: balancesOf(draft) }));
      return { id, choices, top: Math.max(0, ...drafts.map(({ score }) => score)) };
    })
    .filter(({ choices }) => choices.length > 0);
  return new Map(
    sharing(claimants).flatMap((together) =>
      [...settle(together, free).of].map(
        ([id, choice]) => [id, choice.takes.join(" ")] as [number, string],
      ),
    ),
  );
}

/** How many free items there are of each balance. */
class Free {
  private readonly left = new Map<number, number>();
  constructor(balances: readonly number[]) {
    for (const balance of balances) this.move(balance, 1);
  }
  private move(balance: number, by: number): void {
    this.left.set(balance, (this.left.get(balance) ?? 0) + by);
  }
  /** Takes what a reading takes, if all of it is there. */
  take({ takes }: Choice): boolean {
    for (const balance of takes) this.move(balance, -1);
    if (takes.every((balance) => (this.left.get(balance) ?? 0) >= 0)) return true;
    this.giveBack({ takes });
    return false;
  }
  giveBack({ takes }: Pick<Choice, "takes">): void {
    for (const balance of takes) this.move(balance, 1);
  }
}

/** The receipts in groups that share no balance with each other. */
function sharing(claimants: readonly Claimant[]): Claimant[][] {
  const wanting = new Map<number, Claimant[]>();
  for (const claimant of claimants)
    for (const balance of new Set(claimant.choices.flatMap(({ takes }) => takes)))
      listOf(wanting, balance).push(claimant);
  const seen = new Set<Claimant>();
  return claimants.flatMap((first) => {
    if (seen.has(first)) return [];
    seen.add(first);
    const together = [first];
    // The list grows while it is gone through.
    for (const { choices } of together)
      for (const other of choices.flatMap(({ takes }) =>
        takes.flatMap((balance) => wanting.get(balance) ?? []),
      ))
        if (!seen.has(other)) {
          seen.add(other);
          together.push(other);
        }
    return [together];
  });
}

const totalOf = (scores: readonly number[]): number =>
  scores.reduce((all, score) => all + score, 0);

const isBetter = (one: Chosen, other: Chosen): boolean =>
  one.count > other.count || (one.count === other.count && one.score > other.score);

/** Those that can be least of all go first, or the best evidence, or the order in which they came. */
const ORDERS: readonly ((a: Claimant, b: Claimant) => number)[] = [
  (a, b) => a.choices.length - b.choices.length || a.id - b.id,
  (a, b) => b.top - a.top || a.id - b.id,
  (a, b) => a.id - b.id,
];

function settle(together: readonly Claimant[], free: Free): Chosen {
  const best = ORDERS.map((order) => inTurn([...together].sort(order), free)).reduce((all, next) =>
    isBetter(next, all) ? next : all,
  );
  return together.length > MOST_TOGETHER
    ? best
    : exactly([...together].sort(ORDERS[0]), free, best);
}

/** Each takes its best that is still free. */
function inTurn(ordered: readonly Claimant[], free: Free): Chosen {
  const of = new Map<number, Choice>();
  for (const { id, choices } of ordered) {
    const choice = choices.find((some) => free.take(some));
    if (choice) of.set(id, choice);
  }
  for (const choice of of.values()) free.giveBack(choice);
  return { of, count: of.size, score: totalOf([...of.values()].map(({ draft }) => draft.score)) };
}

/** Depth first, leaving out what cannot come to more than the best so far. */
function exactly(ordered: readonly Claimant[], free: Free, atLeast: Chosen): Chosen {
  // What all from here on could bring at most.
  const ahead = ordered.map((_, at) => totalOf(ordered.slice(at).map(({ top }) => top)));
  let best = atLeast;
  let tries = 0;
  const search = (at: number, so: Chosen): void => {
    if (isBetter(so, best)) best = so;
    const claimant = ordered[at];
    if (!claimant || (tries += 1) > MOST_TRIES) return;
    const most = {
      ...so,
      count: so.count + ordered.length - at,
      score: so.score + (ahead[at] ?? 0),
    };
    if (!isBetter(most, best)) return;
    for (const choice of claimant.choices) {
      if (!free.take(choice)) continue;
      search(at + 1, {
        of: new Map([...so.of, [claimant.id, choice]]),
        count: so.count + 1,
        score: so.score + choice.draft.score,
      });
      free.giveBack(choice);
    }
    search(at + 1, so);
  };
  search(0, { of: new Map(), count: 0, score: 0 });
  return best;
}
