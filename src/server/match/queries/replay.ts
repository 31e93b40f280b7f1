import type { ReplayFacts, ReplayKind } from "@/contracts/replay";
import { addDays, type Day } from "@/core/calendar";
import {
  type MatchingInput,
  type MatchItem,
  type MatchReceipt,
  propose,
  type Proposal,
  sureKind,
} from "@/core/matching";
import { add, minor, type Minor } from "@/core/money";
import type { Db } from "@/db/connection";
import { appliedSince } from "@/db/applications";
import { allCustomers } from "@/db/customers";
import { payerHistory } from "@/db/learning";
import { closedNumbers } from "@/db/openItems";
import { type ReceiptRow, receiptsInState } from "@/db/receipts";
import { remittancesOfPlaced } from "@/db/remittances";
import { itemsOpenOrPaid, type Placement, placementsSince } from "@/db/replay";
import { readSettings, type Settings } from "@/db/settings";

import { DOUBLE_LOOK_BACK_DAYS, toldByAdvice, wordsOf } from "../proposals";

/** How far back is looked, and how many receipts at most. */
const DAYS_BACK = 92;
const MOST_RECEIPTS = 2000;
const MOST_SHOWN = 50;
/** Limits of risk that are compared, of a thousand. */
const LIMITS = [5, 10, 20, 50, 100];

type Judged = { readonly proposal: Proposal; readonly same: boolean; readonly day: Day };

/**
 * Replays the last months day by day: what was open on the morning of each, the
 * receipts that people placed, and whether the engine would have placed them
 * the same. Who pays for whom is not taken from these receipts themselves.
 */
export function replayOf(db: Db, today: Day): ReplayFacts {
  const settings = readSettings(db);
  const from = addDays(today, -DAYS_BACK);
  const placements = grouped(placementsSince(db, from), ({ receiptId }) => receiptId);
  const told = toldByAdvice(remittancesOfPlaced(db, from));
  const receipts = receiptsInState(db, "placed")
    .filter(({ paidOn }) => paidOn >= from)
    .slice(-MOST_RECEIPTS)
    .map((receipt) => ({ ...receipt, remittance: told.get(receipt.id) ?? [] }));
  const items = new Map(itemsOpenOrPaid(db, from).map((item) => [item.id, item]));
  for (const placed of placements.values()) move(items, placed, 1);
  const judged: Judged[] = [];
  const known = {
    settings,
    customers: allCustomers(db),
    history: payerHistory(db),
    placed: appliedSince(db, addDays(from, -DOUBLE_LOOK_BACK_DAYS)),
    closed: closedNumbers(db, wordsOf(receipts)),
  };
  for (const [day, came] of grouped(receipts, ({ paidOn }) => paidOn)) {
    for (const proposal of propose(morningOf(known, { day, came, items })))
      judged.push({ proposal, day, same: isSame(proposal, placements.get(proposal.receiptId)) });
    for (const { id } of came) move(items, placements.get(id) ?? [], -1);
  }
  const own = settings.wrongPerThousand;
  const otherwise = judged.filter((one) => isPosted(one, own) && !one.same);
  return {
    from,
    to: today,
    receipts: judged.length,
    limits: [...new Set([...LIMITS, own])].sort((a, b) => a - b).map((limit) => at(limit, judged)),
    kinds: kindsOf(judged, own),
    differences: otherwise.slice(0, MOST_SHOWN).map(({ proposal, day }) => ({
      receiptId: proposal.receiptId,
      paidOn: day,
      from: receipts.find(({ id }) => id === proposal.receiptId)?.payerName ?? "",
      placed: numbersOf(placements.get(proposal.receiptId) ?? [], items),
      would: (proposal.readings[0]?.lines ?? []).map(({ number }) => number).join(" + "),
    })),
  };
}

/** A receipt with what an advice says of it. */
type Replayed = ReceiptRow & Pick<MatchReceipt, "remittance">;

type Morning = {
  readonly day: Day;
  readonly came: readonly Replayed[];
  readonly items: ReadonlyMap<number, MatchItem>;
};

/** What is the same on every morning. */
type Known = Pick<MatchingInput, "customers" | "history" | "placed" | "closed"> & {
  readonly settings: Settings;
};

/** The book as it was on the morning of a day, with what came on it. */
function morningOf(
  { settings, customers, history, placed, closed }: Known,
  { day, came, items }: Morning,
): MatchingInput {
  const payer = (of: { payerName: string; payerEmail: string }): string =>
    `${of.payerName}\n${of.payerEmail}`;
  const newcomers = new Set(came.map(payer));
  const open = [...items.values()].filter((item) => item.balance !== 0 && item.issuedOn <= day);
  const isOpen = new Set(open.map(({ number }) => number));
  return {
    customers,
    items: open,
    receipts: came,
    // Who pays for the first time on that day was not known on its morning.
    history: history.filter((paid) => paid.times > 1 || !newcomers.has(payer(paid))),
    // What was settled that day or later was open still.
    closed: closed.filter(({ number }) => !isOpen.has(number)),
    placed: placed.filter(({ paidOn }) => paidOn < day),
    settings: {
      discountGraceDays: settings.discountGraceDays,
      smallDifferenceLimit: settings.smallDifferenceLimit,
      surchargePercent: settings.surchargePercent,
      riskLimit: 1,
    },
  };
}

function at(perThousand: number, judged: readonly Judged[]): ReplayFacts["limits"][number] {
  const posted = judged.filter((one) => isPosted(one, perThousand));
  const otherwise = posted.filter(({ same }) => !same).length;
  return { perThousand, posted: posted.length, otherwise };
}

function grouped<T, K>(list: readonly T[], keyOf: (entry: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const entry of list) {
    const group = groups.get(keyOf(entry));
    if (group) group.push(entry);
    else groups.set(keyOf(entry), [entry]);
  }
  return groups;
}

const isPosted = ({ proposal }: Judged, perThousand: number): boolean =>
  proposal.decision === "sure" && 1 - (proposal.readings[0]?.confidence ?? 0) <= perThousand / 1000;

/** Gives back what receipts took of their items (1), or takes it again (-1). */
function move(items: Map<number, MatchItem>, placements: readonly Placement[], by: 1 | -1): void {
  for (const { itemId, amount, discount, small } of placements) {
    const item = items.get(itemId);
    const moved: Minor = minor(by * add(amount, discount, small));
    if (item) items.set(itemId, { ...item, balance: add(item.balance, moved) });
  }
}

/** The same items with the same sums, whatever was written off beside them. */
function isSame({ readings: [best] }: Proposal, placed: readonly Placement[] = []): boolean {
  const said = (best?.lines ?? []).map(({ itemId, amount }) => `${itemId} ${amount}`).sort();
  const done = placed.map(({ itemId, amount }) => `${itemId} ${amount}`).sort();
  return said.join() === done.join();
}

function kindsOf(judged: readonly Judged[], perThousand: number): ReplayKind[] {
  const kinds = new Map<string, ReplayKind>();
  for (const one of judged) {
    const [best] = one.proposal.readings;
    const kind = best ? sureKind(best) : "nothing that it could be for";
    const none = { kind, posted: 0, otherwise: 0, proposed: 0, firstRight: 0 };
    const counted = kinds.get(kind) ?? none;
    kinds.set(kind, counted);
    if (isPosted(one, perThousand)) {
      counted.posted += 1;
      counted.otherwise += one.same ? 0 : 1;
    } else {
      counted.proposed += 1;
      counted.firstRight += one.same ? 1 : 0;
    }
  }
  return [...kinds.values()].sort((a, b) => b.posted - a.posted || b.proposed - a.proposed);
}

const numbersOf = (placed: readonly Placement[], items: ReadonlyMap<number, MatchItem>): string =>
  placed.map(({ itemId }) => items.get(itemId)?.number ?? "").join(" + ") || "on account";
