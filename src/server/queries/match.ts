import type { Day } from "@/core/calendar";
import { reasonInWords, speaksAgainst, type Decision, type Proposal, type Reading } from "@/core/matching";
import { add, formatAmount, sumOf, type Currency, type Minor } from "@/core/money";
import { groupHead } from "@/core/parties";
import type { Db } from "@/db/connection";
import { allCustomers, customerById } from "@/db/customers";
import { openItemById, openItems, openItemsOf } from "@/db/openItems";
import { receiptById, receiptsInState, type ReceiptRow } from "@/db/receipts";

export type QueueName = Decision | "aside";

/** One line of the Match list. */
export type MatchRow = { id: number; paidOn: Day; method: string; from: string; memo: string; best: string; look: string; lookAgainst: boolean; amount: Minor; leftOver: Minor | null; confidence: number };
export type MatchQueue = { rows: MatchRow[]; sums: Record<QueueName, { count: number; sum: Minor }>; total: Minor };

export const METHOD_WORDS: Record<string, string> = { card: "card", ach_debit: "ACH debit", ach_credit: "ACH", wire: "wire", check: "check", other: "other" };

/** A queue of Match with the sums of all of them; `proposals` are those of the whole book. */
export function matchQueue(db: Db, proposals: readonly Proposal[], queue: QueueName, sort: string, currency: Currency): MatchQueue {
  const byId = new Map(proposals.map((proposal) => [proposal.receiptId, proposal]));
  const open = receiptsInState(db, "to_match");
  const aside = receiptsInState(db, "set_aside");
  const of = (name: Decision): ReceiptRow[] => open.filter((receipt) => (byId.get(receipt.id)?.decision ?? "none") === name);
  const groups: Record<QueueName, ReceiptRow[]> = { sure: of("sure"), check: of("check"), none: of("none"), aside };
  const sumUp = (name: QueueName): { count: number; sum: Minor } => ({ count: groups[name].length, sum: sumOf(groups[name], (receipt) => (name === "aside" ? receipt.parked : receipt.unidentified)) });
  const names = new Map(allCustomers(db).map((customer) => [customer.id, customer.name]));
  const rows = groups[queue].map((receipt) => rowOf(receipt, byId.get(receipt.id)?.readings[0], names, currency));
  return { rows: sorted(rows, sort), sums: { sure: sumUp("sure"), check: sumUp("check"), none: sumUp("none"), aside: sumUp("aside") }, total: sumOf(open, (receipt) => receipt.unidentified) };
}

function rowOf(receipt: ReceiptRow, best: Reading | undefined, names: ReadonlyMap<number, string>, currency: Currency): MatchRow {
  const amount = receipt.state === "set_aside" ? receipt.parked : receipt.unidentified;
  const against = best?.reasons.find(speaksAgainst);
  const first = against ?? best?.reasons[0];
  return {
    id: receipt.id, paidOn: receipt.paidOn, method: METHOD_WORDS[receipt.method] ?? receipt.method, from: receipt.payerName || receipt.payerEmail || "–", memo: receipt.reference || "–", amount,
    best: receipt.state === "set_aside" ? (receipt.reason ?? "") : best ? readingInWords(best, names) : "nothing fits",
    look: receipt.state === "set_aside" ? "set aside" : first ? reasonInWords(first, currency) : best ? "" : "no payer, number or sum is known", lookAgainst: against !== undefined,
    leftOver: best ? best.onAccount : null, confidence: best?.confidence ?? 0,
  };
}

/** A reading in few words: its numbers, or whose account. */
export function readingInWords(reading: Reading, names: ReadonlyMap<number, string>): string {
  const name = reading.customerId === null ? "" : (names.get(reading.customerId) ?? "");
  if (reading.lines.length === 0) return `on account, ${name}`;
  const numbers = reading.lines.slice(0, 4).map((line) => line.number).join(" + ");
  return `${numbers}${reading.lines.length > 4 ? ` + ${reading.lines.length - 4} more` : ""}${reading.onAccount > 0 ? ", rest on account" : ""}`;
}

function sorted(rows: MatchRow[], sort: string): MatchRow[] {
  const down = sort.startsWith("-");
  const key = sort.replace("-", "");
  const compare: Record<string, (a: MatchRow, b: MatchRow) => number> = {
    paid: (a, b) => a.paidOn.localeCompare(b.paidOn), from: (a, b) => a.from.localeCompare(b.from), amount: (a, b) => a.amount - b.amount, look: (a, b) => a.look.localeCompare(b.look), by: (a, b) => a.method.localeCompare(b.method),
  };
  const by = compare[key] ?? compare.paid;
  return by ? [...rows].sort((a, b) => (down ? -by(a, b) : by(a, b)) || a.id - b.id) : rows;
}

export type WorkingsReading = { customerId: number | null; customer: string; words: string; lines: { itemId: number; number: string; description: string; open: Minor; amount: Minor; discount: Minor }[]; onAccount: Minor; confidence: number; reasons: { words: string; against: boolean }[] };
export type WorkingsItem = { itemId: number; number: string; customer: string; description: string; dueOn: Day; open: Minor };
export type MatchWorkings = { receiptId: number; amount: Minor; readings: WorkingsReading[]; customerId: number | null; customer: string; items: WorkingsItem[]; itemsSum: Minor; settledOn: Day; account: string; fee: Minor; disputed: boolean };

/** All that is needed to put a receipt's tally together: its readings with their reasons, and what is open at the customer. */
export function matchWorkings(db: Db, receiptId: number, proposal: Proposal | undefined, currency: Currency): MatchWorkings | null {
  const receipt = receiptById(db, receiptId);
  if (!receipt) return null;
  const readings = (proposal?.readings ?? []).map((reading): WorkingsReading => {
    const customer = reading.customerId === null ? undefined : customerById(db, reading.customerId);
    return {
      customerId: reading.customerId, customer: customer?.name ?? "", onAccount: reading.onAccount, confidence: reading.confidence, words: readingInWords(reading, new Map(customer ? [[customer.id, customer.name]] : [])),
      reasons: reading.reasons.map((reason) => ({ words: reasonInWords(reason, currency), against: speaksAgainst(reason) })),
      lines: reading.lines.map((line) => {
        const item = openItemById(db, line.itemId);
        return { itemId: line.itemId, number: line.number, description: item?.description ?? "", open: item?.balance ?? line.amount, amount: line.amount, discount: line.discount };
      }),
    };
  });
  const customerId = readings[0]?.customerId ?? null;
  const items = customerId === null ? [] : groupItems(db, customerId);
  const charge = db.get<{ fee: Minor | null; account: string }>(
    `SELECT a.name AS account, (SELECT -sum(f.amount) FROM processor_item f WHERE f.kind = 'fee' AND f.processor_account_id = i.processor_account_id AND f.related_id = i.external_id) AS fee
     FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id WHERE i.receipt_id = ? AND i.kind = 'charge'`, receiptId,
  );
  return {
    receiptId, amount: receipt.unidentified, readings, customerId, customer: customerId === null ? "" : (customerById(db, customerId)?.name ?? ""), items, itemsSum: sumOf(items, (item) => item.open), settledOn: receipt.settledOn,
    account: charge ? `Clearing, ${charge.account}` : "Operating bank", fee: charge?.fee ?? add(0), disputed: receipt.disputed === 1,
  };
}

/** What is open at a customer and its sites, oldest first. */
export function groupItems(db: Db, customerId: number): WorkingsItem[] {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const customer = customers.get(customerId);
  if (!customer) return [];
  const head = groupHead(customer, customers);
  const members = [...customers.values()].filter((one) => one.id === customerId || (customerId === head && groupHead(one, customers) === head));
  return members
    .flatMap((member) => openItemsOf(db, member.id).map((item) => ({ itemId: item.id, number: item.number, customer: member.name, description: item.description ?? "", dueOn: item.dueOn, open: item.balance })))
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.itemId - b.itemId));
}

/** The sure ones as they would be posted, for the look at the list and its total. */
export function sureList(db: Db, proposals: readonly Proposal[], currency: Currency): { id: number; from: string; memo: string; to: string; why: string; amount: string; sum: Minor }[] {
  const receipts = new Map(receiptsInState(db, "to_match").map((receipt) => [receipt.id, receipt]));
  const names = new Map(allCustomers(db).map((customer) => [customer.id, customer.name]));
  return proposals.filter(({ decision }) => decision === "sure").flatMap(({ receiptId, readings }) => {
    const [receipt, best] = [receipts.get(receiptId), readings[0]];
    if (!receipt || !best) return [];
    return [{ id: receiptId, from: receipt.payerName || receipt.payerEmail, memo: receipt.reference, to: `${names.get(best.customerId ?? 0) ?? ""}: ${readingInWords(best, names)}`, why: best.reasons.slice(0, 2).map((reason) => reasonInWords(reason, currency)).join(", "), amount: formatAmount(receipt.unidentified, currency), sum: receipt.unidentified }];
  });
}

/** Customers whose name, number or e-mail holds a text, for a receipt whose payer is not known. */
export function findCustomers(db: Db, text: string): { id: number; name: string; externalId: string; open: Minor }[] {
  const open = new Map<number, number>();
  for (const item of openItems(db)) open.set(item.customerId, (open.get(item.customerId) ?? 0) + item.balance);
  return db
    .all<{ id: number; name: string; externalId: string }>("SELECT id, name, external_id AS externalId FROM customer WHERE name LIKE '%' || ?1 || '%' OR external_id LIKE ?1 || '%' OR email LIKE '%' || ?1 || '%' ORDER BY name LIMIT 12", text)
    .map((customer) => ({ ...customer, open: add(open.get(customer.id) ?? 0) }));
}
