import {
  type MatchWorkings,
  type Twin,
  type WorkingsItem,
  type WorkingsReading,
} from "@/contracts/match";
import {
  type Decision,
  type MatchCandidate,
  type Proposal,
  reasonInWords,
  toBeSure,
  restsOn,
  speaksAgainst,
} from "@/core/matching";
import { add, type Currency, formatAmount, minor, sumOf } from "@/core/money";
import { applicationsOfReceipt } from "@/db/applications";
import { approvalOf, type ApprovalRow } from "@/db/approvals";
import { chargeOfReceipt } from "@/db/charges";
import { type Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { openItemById } from "@/db/openItems";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { remittanceLines } from "@/db/remittances";
import { readSettings } from "@/db/settings";

import { groupCredits, groupGivenUp, groupItems } from "./group";
import { METHOD_WORDS, readingInWords } from "./match";

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
    shownReading(db, reading, proposal?.decision, receipt.currency),
  );
  const paying = customerToPay(db, readings[0]?.customerId ?? null, receipt.currency);
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
    ...paying,
    settledOn: receipt.settledOn,
    account: charge ? `Clearing, ${charge.account}` : accountOf(receipt),
    fee: charge?.fee ?? add(0),
    disputed: receipt.disputed === 1,
    twin: twinOf(db, proposal, openWords(paying.items, receipt)),
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

function shownReading(
  db: Db,
  reading: MatchCandidate,
  decision: Decision | undefined,
  currency: Currency,
): WorkingsReading {
  const customer = reading.customerId === null ? undefined : customerById(db, reading.customerId);
  return {
    customerId: reading.customerId,
    customer: customer?.name ?? "",
    onAccount: reading.onAccount,
    surcharge: reading.surcharge ?? add(0),
    confidence: reading.confidence,
    words: readingInWords(reading, new Map(customer ? [[customer.id, customer.name]] : [])),
    toBeSure: toBeSure(reading, decision),
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
function twinOf(db: Db, proposal: Proposal | undefined, open: string): Twin | null {
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
    open,
  };
}

/** What is open where a second payment may belong, and whether anything of its sum is. */
function openWords(
  items: readonly WorkingsItem[],
  { unidentified, currency }: Pick<ReceiptRow, "unidentified" | "currency">,
): string {
  const owed = items.filter(({ open }) => open > 0);
  if (owed.length === 0) return "nothing of this customer";
  const alike = owed.filter(({ open }) => open === unidentified).map(({ number }) => number);
  const sum = formatAmount(
    sumOf(owed, ({ open }) => open),
    currency,
  );
  const of = alike.length > 0 ? `of this sum ${alike.join(", ")}` : "none of this sum";
  return `${owed.length === 1 ? "one item" : `${owed.length} items`}, ${sum}; ${of}`;
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
