import type { MatchRow, QueueName } from "@/contracts/match";
import {
  type Decision,
  type MatchCandidate,
  type Proposal,
  reasonInWords,
  speaksAgainst,
  toBeSure,
} from "@/core/matching";
import { add, type Currency, formatAmount, type Minor, sumOf } from "@/core/money";
import { type ApprovalRow, approvalsWaiting } from "@/db/approvals";
import type { Db } from "@/db/connection";
import { allCustomers } from "@/db/customers";
import { carriedByDocument } from "@/db/rates";
import { type ReceiptRow, receiptsInState } from "@/db/receipts";

/**
 * The queues of Match: by certainty, those set aside, and those whose write-off waits for a second
 * person.
 */
export type MatchQueue = {
  rows: MatchRow[];
  sums: Record<QueueName, { count: number; sum: Minor }>;
  total: Minor;
};

export const METHOD_WORDS: Record<string, string> = {
  card: "card",
  ach_debit: "ACH debit",
  ach_credit: "ACH",
  wire: "wire",
  check: "check",
  cash: "cash",
  money_order: "money order",
  other: "other",
};

type QueueAsked = {
  queue: QueueName;
  sort: string;
  currency: Currency;
};

/** A queue of Match with the sums of all of them; `proposals` are those of the whole book. */
export function matchQueue(
  db: Db,
  proposals: readonly Proposal[],
  { queue, sort, currency }: QueueAsked,
): MatchQueue {
  const byId = new Map(proposals.map((proposal) => [proposal.receiptId, proposal]));
  const asked = new Map(approvalsWaiting(db).map((approval) => [approval.receiptId, approval]));
  const all = receiptsInState(db, "to_match");
  const open = all.filter(({ id }) => !asked.has(id));
  const aside = receiptsInState(db, "set_aside");
  const of = (name: Decision): ReceiptRow[] =>
    open.filter((receipt) => (byId.get(receipt.id)?.decision ?? "none") === name);
  const groups: Record<QueueName, ReceiptRow[]> = {
    sure: of("sure"),
    check: of("check"),
    none: of("none"),
    aside,
    second: all.filter(({ id }) => asked.has(id)),
  };
  const worth = worthInBook(db, currency);
  const sumUp = (name: QueueName): { count: number; sum: Minor } => ({
    count: groups[name].length,
    sum: sumOf(groups[name], worth),
  });
  const names = new Map(allCustomers(db).map((customer) => [customer.id, customer.name]));
  const rows = groups[queue].map((receipt) =>
    rowOf(receipt, {
      proposal: byId.get(receipt.id),
      names,
      currency,
      asked: asked.get(receipt.id),
    }),
  );
  return {
    rows: sorted(rows, sort),
    sums: {
      sure: sumUp("sure"),
      check: sumUp("check"),
      none: sumUp("none"),
      aside: sumUp("aside"),
      second: sumUp("second"),
    },
    total: sumOf(all, worth),
  };
}

/**
 * What a receipt that waits, or was set aside, is worth in the book's currency: what the journal
 * carries it at. Sums over several receipts are made of nothing else.
 */
export function worthInBook(db: Db, book: Currency): (receipt: ReceiptRow) => Minor {
  const foreign = carriedByDocument(db, ["unidentified", "parked", "other"], "receipt");
  return (receipt) => {
    if (receipt.currency !== book) return add(-(foreign.get(receipt.id) ?? 0));
    return receipt.state === "set_aside"
      ? add(receipt.parked, receipt.income)
      : receipt.unidentified;
  };
}

type RowFacts = {
  proposal: Proposal | undefined;
  names: ReadonlyMap<number, string>;
  currency: Currency;
  asked: ApprovalRow | undefined;
};

function rowOf(receipt: ReceiptRow, facts: RowFacts): MatchRow {
  const best = facts.proposal?.readings[0];
  const amount =
    receipt.state === "set_aside" ? add(receipt.parked, receipt.income) : receipt.unidentified;
  return {
    id: receipt.id,
    paidOn: receipt.paidOn,
    method: METHOD_WORDS[receipt.method] ?? receipt.method,
    from: receipt.payerName || receipt.payerEmail || "–",
    memo: receipt.reference || "–",
    amount,
    currency: receipt.currency,
    ...wordsOf(receipt, facts),
    lookAgainst: best?.reasons.some(speaksAgainst) ?? false,
    leftOver: best ? best.onAccount : null,
    confidence: best?.confidence ?? 0,
  };
}

/** What is proposed for a receipt, or what became of it, and what to look at first. */
function wordsOf(
  receipt: ReceiptRow,
  { proposal, names, currency, asked }: RowFacts,
): Pick<MatchRow, "best" | "look"> {
  const best = proposal?.readings[0];
  if (receipt.state === "set_aside")
    return {
      best: receipt.reason ?? "",
      look: receipt.income > 0 ? "other income" : "set aside",
    };
  if (asked)
    return {
      best: `write off ${formatAmount(asked.sum, currency)}: ${asked.why}`,
      look: `asked by ${asked.askedBy}`,
    };
  if (!best) return { best: "nothing fits", look: "no payer, number or sum is known" };
  const against = best.reasons.find(speaksAgainst);
  const wanted = toBeSure(best, proposal?.decision);
  const first = against ?? (wanted === null ? best.reasons[0] : undefined);
  return {
    best: readingInWords(best, names),
    look: first ? reasonInWords(first, receipt.currency) : `wants ${wanted ?? ""}`,
  };
}

/** A reading in few words: its numbers, or whose account. */
export function readingInWords(
  reading: MatchCandidate,
  names: ReadonlyMap<number, string>,
): string {
  const name = reading.customerId === null ? "" : (names.get(reading.customerId) ?? "");
  if (reading.lines.length === 0) return `on account, ${name}`;
  const numbers = reading.lines
    .slice(0, 4)
    .map((line) => line.number)
    .join(" + ");
  const allowed = reading.reasons.some(({ code }) => code === "discount_allowed");
  return `${allowed ? "allow the discount: " : ""}${numbers}${reading.lines.length > 4 ? ` + ${reading.lines.length - 4} more` : ""}${reading.onAccount > 0 ? ", rest on account" : ""}`;
}

function sorted(rows: MatchRow[], sort: string): MatchRow[] {
  const down = sort.startsWith("-");
  const key = sort.replace("-", "");
  const compare: Record<string, (a: MatchRow, b: MatchRow) => number> = {
    paid: (a, b) => a.paidOn.localeCompare(b.paidOn),
    from: (a, b) => a.from.localeCompare(b.from),
    amount: (a, b) => a.amount - b.amount,
    look: (a, b) => a.look.localeCompare(b.look),
    by: (a, b) => a.method.localeCompare(b.method),
  };
  const by = compare[key] ?? compare.paid;
  return by ? [...rows].sort((a, b) => (down ? -by(a, b) : by(a, b)) || a.id - b.id) : rows;
}
