import type {
  MatchRow,
  MatchWorkings,
  OnAccount,
  QueueName,
  SureRow,
  Twin,
  WorkingsItem,
  WorkingsReading,
} from "@/contracts/match";
import { earlierFirst } from "@/core/calendar";
import {
  type Decision,
  type MatchCandidate,
  oddity,
  type Proposal,
  reasonInWords,
  restsOn,
  speaksAgainst,
  sureKind,
} from "@/core/matching";
import { add, type Currency, formatAmount, minor, type Minor, sumOf } from "@/core/money";
import { groupHead } from "@/core/parties";
import { approvalOf, type ApprovalRow, approvalsWaiting } from "@/db/approvals";
import type { Db } from "@/db/connection";
import { allCustomers, customerById, familyOf } from "@/db/customers";
import { findCustomersByText } from "@/db/find";
import { openItemById, openItems, openItemsOf } from "@/db/openItems";
import { chargeOfReceipt } from "@/db/processor";
import { carriedByDocument } from "@/db/rates";
import {
  applicationsOfReceipt,
  receiptById,
  type ReceiptRow,
  receiptsInState,
  receiptsOnAccount,
} from "@/db/receipts";
import { remittanceLines } from "@/db/remittances";
import { readSettings } from "@/db/settings";
import { recoverable } from "@/db/writeOffs";

/**
 * The queues of Match: by certainty, those set aside, and those whose write-off waits for a second
 * person.
 */
export const QUEUES = ["sure", "check", "none", "aside", "second"] as const;

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
  // Sums of several are in the book's currency.
  const foreign = carriedByDocument(db, ["unidentified", "parked", "other"], "receipt");
  const worth = (receipt: ReceiptRow): Minor => {
    const own =
      receipt.state === "set_aside" ? add(receipt.parked, receipt.income) : receipt.unidentified;
    return receipt.currency === currency ? own : add(-(foreign.get(receipt.id) ?? 0));
  };
  const sumUp = (name: QueueName): { count: number; sum: Minor } => ({
    count: groups[name].length,
    sum: sumOf(groups[name], worth),
  });
  const names = new Map(allCustomers(db).map((customer) => [customer.id, customer.name]));
  const rows = groups[queue].map((receipt) =>
    rowOf(receipt, {
      best: byId.get(receipt.id)?.readings[0],
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

type RowFacts = {
  best: MatchCandidate | undefined;
  names: ReadonlyMap<number, string>;
  currency: Currency;
  asked: ApprovalRow | undefined;
};

function rowOf(receipt: ReceiptRow, { best, names, currency, asked }: RowFacts): MatchRow {
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
    ...wordsOf(receipt, { best, names, currency, asked }),
    lookAgainst: best?.reasons.some(speaksAgainst) ?? false,
    leftOver: best ? best.onAccount : null,
    confidence: best?.confidence ?? 0,
  };
}

/** What is proposed for a receipt, or what became of it, and what to look at first. */
function wordsOf(
  receipt: ReceiptRow,
  { best, names, currency, asked }: RowFacts,
): Pick<MatchRow, "best" | "look"> {
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
  const first = best.reasons.find(speaksAgainst) ?? best.reasons[0];
  return {
    best: readingInWords(best, names),
    look: first ? reasonInWords(first, receipt.currency) : "",
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
  return `${numbers}${reading.lines.length > 4 ? ` + ${reading.lines.length - 4} more` : ""}${reading.onAccount > 0 ? ", rest on account" : ""}`;
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

/**
 * All that is needed to put a receipt's tally together: its readings with their reasons, and what
 * is open at the customer and its group.
 */
export function matchWorkings(
  db: Db,
  receiptId: number,
  proposal: Proposal | undefined,
): MatchWorkings | null {
  const receipt = receiptById(db, receiptId);
  if (!receipt) return null;
  const readings = (proposal?.readings ?? []).map((reading) =>
    shownReading(db, reading, receipt.currency),
  );
  const charge = chargeOfReceipt(db, receiptId);
  const settings = readSettings(db);
  const asked = approvalOf(db, receiptId);
  return {
    receiptId,
    amount: receipt.unidentified,
    currency: receipt.currency,
    from: receipt.payerName,
    email: receipt.payerEmail,
    memo: receipt.reference,
    remittance: remittanceLines(db, receiptId),
    number: receipt.number,
    readings,
    ...customerToPay(db, readings[0]?.customerId ?? null, receipt.currency),
    settledOn: receipt.settledOn,
    account: charge ? `Clearing, ${charge.account}` : accountOf(receipt),
    fee: charge?.fee ?? add(0),
    disputed: receipt.disputed === 1,
    twin: twinOf(db, proposal),
    asked: asked ? shownApproval(db, asked, receipt.currency) : null,
    limit: minor(settings.smallDifferenceLimit),
    people: settings.people.length,
    surcharges: settings.surchargePercent !== null && receipt.method === "card",
  };
}

/** The customer whom a reading names, with what it could pay and what could be used for it. */
function customerToPay(
  db: Db,
  customerId: number | null,
  currency: Currency,
): Pick<MatchWorkings, "customerId" | "customer" | "items" | "credits" | "givenUp"> {
  if (customerId === null)
    return { customerId, customer: "", items: [], credits: [], givenUp: add(0) };
  return {
    customerId,
    customer: customerById(db, customerId)?.name ?? "",
    items: groupItems(db, customerId, currency),
    credits: groupCredits(db, customerId, currency),
    givenUp: groupGivenUp(db, customerId, currency),
  };
}

const shownApproval = (
  db: Db,
  asked: ApprovalRow,
  currency: Currency,
): NonNullable<MatchWorkings["asked"]> => ({
  approvalId: asked.id,
  sum: asked.sum,
  why: asked.why,
  askedBy: asked.askedBy,
  words: askedInWords(db, asked, currency),
});

/** Where money that no processor took has gone. */
const accountOf = (receipt: ReceiptRow): string =>
  receipt.source === "hand" ? "Checks and cash on hand" : "Operating bank";

function shownReading(db: Db, reading: MatchCandidate, currency: Currency): WorkingsReading {
  const customer = reading.customerId === null ? undefined : customerById(db, reading.customerId);
  return {
    customerId: reading.customerId,
    customer: customer?.name ?? "",
    onAccount: reading.onAccount,
    surcharge: reading.surcharge ?? add(0),
    confidence: reading.confidence,
    words: readingInWords(reading, new Map(customer ? [[customer.id, customer.name]] : [])),
    withCredit: reading.reasons.some(({ code }) => code === "on_account"),
    reasons: reading.reasons.map((reason) => ({
      words: reasonInWords(reason, currency),
      against: speaksAgainst(reason),
      ...restsOn(reason),
    })),
    lines: reading.lines.map((line) => {
      const item = openItemById(db, line.itemId);
      return {
        itemId: line.itemId,
        number: line.number,
        description: item?.description ?? "",
        open: item?.balance ?? line.amount,
        amount: line.amount,
        discount: line.discount,
      };
    }),
  };
}

/** The earlier of two payments that look like one made twice, and what became of it. */
function twinOf(db: Db, proposal: Proposal | undefined): Twin | null {
  const double = proposal?.readings[0]?.reasons.find((reason) => reason.code === "against_double");
  const earlier = double?.code === "against_double" ? receiptById(db, double.receiptId) : undefined;
  if (!earlier) return null;
  const given = applicationsOfReceipt(db, earlier.id)
    .filter(({ endedBy }) => endedBy === null)
    .map((application) => openItemById(db, application.openItemId)?.number ?? "");
  return {
    receiptId: earlier.id,
    paidOn: earlier.paidOn,
    method: METHOD_WORDS[earlier.method] ?? earlier.method,
    from: earlier.payerName || earlier.payerEmail,
    memo: earlier.reference,
    amount: earlier.amount,
    became: whatBecameOf(earlier, given),
  };
}

function whatBecameOf(receipt: ReceiptRow, numbersPaid: readonly string[]): string {
  if (numbersPaid.length > 0) return `paid ${numbersPaid.join(", ")}`;
  if (receipt.state === "to_match") return "waits too";
  return receipt.onAccount > 0 ? "on account" : "gone back";
}

function askedInWords(db: Db, asked: ApprovalRow, currency: Currency): string {
  const { lines } = JSON.parse(asked.tally) as {
    lines: { itemId: number; amount: number; smallDifference: number }[];
  };
  return lines
    .map(
      (line) =>
        `${formatAmount(line.amount, currency)} to ${openItemById(db, line.itemId)?.number ?? "an item"}${line.smallDifference === 0 ? "" : `, ${formatAmount(line.smallDifference, currency)} of it written off`}`,
    )
    .join("; ");
}

/** What stands in a currency on account of a customer and the other members of its group, oldest first. */
export function groupCredits(db: Db, customerId: number, currency: Currency): OnAccount[] {
  return familyOf(db, customerId)
    .flatMap(({ id }) => receiptsOnAccount(db, id))
    .filter((receipt) => receipt.currency === currency)
    .map(({ id, paidOn, onAccount }) => ({ receiptId: id, on: paidOn, sum: onAccount }));
}

/** What was written off in a currency of the debts of a customer and its group, and not paid since. */
export function groupGivenUp(db: Db, customerId: number, currency: Currency): Minor {
  return recoverable(
    db,
    familyOf(db, customerId).map(({ id }) => id),
    currency,
  );
}

/**
 * What is open in a currency at a customer and the other members of its group: its own first, each
 * oldest first.
 */
export function groupItems(db: Db, customerId: number, currency: Currency): WorkingsItem[] {
  const customers = new Map(familyOf(db, customerId).map((customer) => [customer.id, customer]));
  const customer = customers.get(customerId);
  if (!customer) return [];
  const head = groupHead(customer, customers);
  return [...customers.values()]
    .flatMap((member) =>
      openItemsOf(db, member.id)
        .filter((item) => item.currency === currency)
        .map((item) => ({
          itemId: item.id,
          number: item.number,
          customer: member.name,
          own: member.id === customerId || customerId === head,
          description: item.description ?? "",
          dueOn: item.dueOn,
          open: item.balance,
        })),
    )
    .sort(
      (a, b) =>
        Number(b.own) - Number(a.own) || earlierFirst(a.dueOn, b.dueOn) || a.itemId - b.itemId,
    );
}

/** What a reading does with the money, in one line of text. */
export function saidOf(reading: MatchCandidate): string {
  return `${reading.customerId} ${reading.lines
    .map((line) => `${line.itemId}:${line.amount}:${line.discount}`)
    .sort()
    .join(" ")}${reading.surcharge ? ` +${reading.surcharge}` : ""}`;
}

/**
 * The sure ones as they would be posted: those that deserve a second glance first, the others by
 * what kind they are.
 */
export function sureList(db: Db, proposals: readonly Proposal[], currency: Currency): SureRow[] {
  const receipts = new Map(receiptsInState(db, "to_match").map((receipt) => [receipt.id, receipt]));
  const names = new Map(allCustomers(db).map((customer) => [customer.id, customer.name]));
  const asked = new Set(approvalsWaiting(db).map(({ receiptId }) => receiptId));
  const sure = proposals
    .filter(({ decision, receiptId }) => decision === "sure" && !asked.has(receiptId))
    .flatMap(({ receiptId, readings: [best] }) => {
      const receipt = receipts.get(receiptId);
      return receipt && best ? [{ receipt, best }] : [];
    });
  const foreign = carriedByDocument(db, ["unidentified"], "receipt");
  const sums = sure.map(({ receipt }) => receipt.unidentified).sort((a, b) => a - b);
  const middle = sums[Math.floor(sums.length / 2)] ?? add(0);
  const rows = sure.map(({ receipt, best }): SureRow => ({
    id: receipt.id,
    from: receipt.payerName || receipt.payerEmail,
    memo: receipt.reference,
    to: `${names.get(best.customerId ?? 0) ?? ""}: ${readingInWords(best, names)}`,
    why: best.reasons
      .slice(0, 2)
      .map((reason) => reasonInWords(reason, receipt.currency))
      .join(", "),
    kind: sureKind(best),
    odd: oddity(best, receipt.unidentified, middle),
    sum: receipt.unidentified,
    currency: receipt.currency,
    book:
      receipt.currency === currency ? receipt.unidentified : add(-(foreign.get(receipt.id) ?? 0)),
    said: saidOf(best),
  }));
  const size = new Map<string, number>();
  for (const row of rows) size.set(row.kind, (size.get(row.kind) ?? 0) + 1);
  return rows.sort(
    (a, b) =>
      Number(a.odd === null) - Number(b.odd === null) ||
      (a.odd === null
        ? (size.get(a.kind) ?? 0) - (size.get(b.kind) ?? 0) || a.kind.localeCompare(b.kind)
        : b.sum - a.sum) ||
      a.id - b.id,
  );
}

/** Customers offered while a name is typed. */
const MOST_CUSTOMERS = 12;

/** Customers whose name, number or e-mail holds a text, for a receipt whose payer is not known. */
export function findCustomers(
  db: Db,
  text: string,
): { id: number; name: string; externalId: string; open: Minor }[] {
  const open = new Map<number, number>();
  for (const item of openItems(db))
    open.set(item.customerId, (open.get(item.customerId) ?? 0) + item.bookBalance);
  return findCustomersByText(db, { text, sum: null }, MOST_CUSTOMERS).map((customer) => ({
    ...customer,
    open: add(open.get(customer.id) ?? 0),
  }));
}
