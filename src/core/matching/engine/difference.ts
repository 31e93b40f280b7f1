import type { Habit, MatchingInput, MatchItem, MatchReceipt, PaidFor } from "../types";

/** What is different between two looks at one book. An item whose balance moved is both gone (as it was) and come. */
export type Difference = {
  readonly gone: readonly MatchItem[];
  readonly come: readonly MatchItem[];
  readonly newReceipts: readonly MatchReceipt[];
  readonly goneReceipts: readonly MatchReceipt[];
  /** Payers with how many times more (or fewer) they paid. */
  readonly paid: readonly (readonly [PaidFor, number])[];
  /** Customers whose habit or whose placed payments are others now. */
  readonly customers: readonly number[];
};

/** More than this is no small change: the whole book is read anew. */
const MOST = 2000;

/** What changed, or null where so much (or something so far-reaching) did that all is to be made anew. */
export function differenceOf(before: MatchingInput, next: MatchingInput): Difference | null {
  if (
    before.settings.discountGraceDays !== next.settings.discountGraceDays ||
    before.settings.smallDifferenceLimit !== next.settings.smallDifferenceLimit ||
    before.settings.surchargePercent !== next.settings.surchargePercent ||
    before.settings.riskLimit !== next.settings.riskLimit
  )
    return null;
  if (
    before.customers.length !== next.customers.length ||
    next.customers.some((customer, at) => !sameCustomer(customer, before.customers[at]))
  )
    return null;
  const items = both(
    before.items,
    next.items,
    ({ id }) => id,
    alike("balance", "number", "total", "dueOn", "issuedOn", "customerId", "poNumber", "terms"),
  );
  const receipts = both(before.receipts, next.receipts, ({ id }) => id, sameReceipt);
  const paid = payersOf(before.history, next.history);
  if (items.gone.length + items.come.length + receipts.come.length + paid.length > MOST)
    return null;
  return {
    gone: items.gone,
    come: items.come,
    newReceipts: receipts.come,
    goneReceipts: receipts.gone,
    paid,
    customers: customersTouched(before, next),
  };
}

/** Customers whose habit, whose placed payments or whose credit are others now. */
function customersTouched(before: MatchingInput, next: MatchingInput): number[] {
  const habits = both<Habit, number>(
    before.habits ?? [],
    next.habits ?? [],
    ({ customerId }) => customerId,
    alike("receipts", "quoted", "several", "late"),
  );
  const placed = both(
    before.placed,
    next.placed,
    ({ id }) => id,
    alike("customerId", "paidOn", "amount"),
  );
  const credits = both<{ customerId: number; sum: number }, number>(
    before.credits ?? [],
    next.credits ?? [],
    ({ customerId }) => customerId,
    alike("sum"),
  );
  const touched = [habits, placed, credits].flatMap(({ gone, come }) =>
    [...gone, ...come].map(({ customerId }) => customerId),
  );
  return [...new Set(touched)];
}

const adviceOf = ({ remittance = [] }: MatchReceipt): string =>
  remittance.map(({ number, amount }) => `${number} ${amount}`).join(";");

const sameFields = alike<MatchReceipt>(
  "amount",
  "paidOn",
  "payerName",
  "payerEmail",
  "reference",
  "currency",
);
const sameReceipt = (a: MatchReceipt, b: MatchReceipt): boolean =>
  sameFields(a, b) && adviceOf(a) === adviceOf(b);

function sameCustomer(
  a: MatchingInput["customers"][number],
  b: MatchingInput["customers"][number] | undefined,
): boolean {
  return (
    b !== undefined &&
    a.id === b.id &&
    a.name === b.name &&
    a.email === b.email &&
    a.parentId === b.parentId &&
    (a.aliases ?? []).join("\n") === (b.aliases ?? []).join("\n")
  );
}

function alike<T>(...fields: (keyof T)[]): (a: T, b: T) => boolean {
  return (a, b) => fields.every((field) => a[field] === b[field]);
}

/** What stands in one list and not, or not so, in the other. */
function both<T, K>(
  before: readonly T[],
  next: readonly T[],
  key: (entry: T) => K,
  same: (a: T, b: T) => boolean,
): { gone: T[]; come: T[] } {
  const old = new Map(before.map((entry) => [key(entry), entry]));
  const [gone, come]: [T[], T[]] = [[], []];
  for (const entry of next) {
    const was = old.get(key(entry));
    old.delete(key(entry));
    if (was !== undefined && same(was, entry)) continue;
    if (was !== undefined) gone.push(was);
    come.push(entry);
  }
  return { gone: [...gone, ...old.values()], come };
}

function payersOf(
  before: readonly PaidFor[],
  next: readonly PaidFor[],
): (readonly [PaidFor, number])[] {
  const key = (paid: PaidFor): string =>
    `${paid.customerId}\n${paid.payerEmail}\n${paid.payerName}`;
  const more = new Map<string, [PaidFor, number]>();
  const add = (paid: PaidFor, times: number): void => {
    const known = more.get(key(paid)) ?? [paid, 0];
    more.set(key(paid), [paid, known[1] + times]);
  };
  for (const paid of before) add(paid, -paid.times);
  for (const paid of next) add(paid, paid.times);
  return [...more.values()].filter(([, times]) => times !== 0);
}
