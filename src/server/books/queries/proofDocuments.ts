import type { OffDocument, ProofBreakdown, ProofDocument } from "@/contracts/books";
import { type Day, formatDay } from "@/core/calendar";
import { type ItemKind, offInWords, type ProofName, type Role, whatIsOff } from "@/core/ledger";
import { type Minor, negate, sumOf } from "@/core/money";
import { bankAccounts } from "@/db/bank";
import type { Db } from "@/db/connection";
import { unreconciledDocuments } from "@/db/controlTotals";
import { accruals } from "@/db/fees";
import { openItemsAsOf } from "@/db/openItems";
import { clearingAsOf } from "@/db/processor";
import { bookValue } from "@/db/rates";
import { receiptsByHand } from "@/db/receipts";

import { hrefOf } from "./history";

const MOST = 400;
const LAST = "9999-12-31" as Day;

/** What a control sum is made of, document by document; empty for proofs that are about entries only. */
export function proofDocuments(db: Db, name: ProofName): ProofBreakdown {
  const all = documentsOf(db, name);
  return {
    documents: all.slice(0, MOST),
    count: all.length,
    sum: sumOf(all, (proofDocument) => proofDocument.amount),
    off: offDocuments(db, name),
  };
}

/** Roles whose accounts a proof is about. */
const ROLES: Partial<Record<ProofName, readonly Role[]>> = {
  receivables: ["receivables"],
  clearing: ["clearing"],
  unidentified: ["unidentified"],
  credits: ["credits"],
  disputed: ["disputed"],
  on_hand: ["on_hand"],
  fees_accrued: ["fees_accrued"],
  bank: ["bank"],
};
const KIND_WORDS: Record<ItemKind, string> = {
  open_item: "open item",
  receipt: "receipt",
  processor_item: "item of the processor",
  bank_line: "bank line",
  payout: "payout",
  fee_accrual: "fees of a month",
  revaluation: "revaluation",
};

function offDocuments(db: Db, name: ProofName): OffDocument[] {
  return unreconciledDocuments(db, ROLES[name] ?? []).map((stray) => ({
    words: `${KIND_WORDS[stray.kind]} ${stray.id}`,
    href: hrefOf(db, stray.kind, stray.id),
    journal: stray.journal,
    documents: stray.documents,
    sinceEntry: stray.sinceEntry,
    sinceOn: stray.sinceOn,
    explained: offInWords(whatIsOff(stray.journal, stray.documents)),
  }));
}

function documentsOf(db: Db, name: ProofName): ProofDocument[] {
  switch (name) {
    case "receivables":
      return openItemsAsOf(db, LAST).map((item) => ({
        words: `${item.number}, ${item.customer}`,
        more: `due ${formatDay(item.dueOn)}`,
        on: item.issuedOn,
        amount: item.asOfBalance,
        href: `invoices/${item.id}`,
      }));
    case "clearing":
      return clearingAsOf(db, LAST).map((item) => ({
        words: `${item.kind.replaceAll("_", " ")} ${item.externalId}${item.payer ? `, ${item.payer}` : ""}`,
        more: `${item.processorAccount}, ${item.payout === null ? "in no payout yet" : `payout ${item.payout}, not tied`}`,
        on: item.settledOn,
        amount: item.book,
        href:
          item.receiptId !== null
            ? `receipts/${item.receiptId}`
            : item.payoutId !== null
              ? `payouts/${item.payoutId}`
              : null,
      }));
    case "unidentified":
      return receipts(db, "unidentified", -1);
    case "credits":
      return receipts(db, "on_account", -1);
    case "parked":
      return [
        ...receipts(db, "parked", -1),
        ...processorItems(
          db,
          "settled_state IS NULL AND reason IS NOT NULL AND kind IN ('adjustment', 'refund', 'ach_return', 'dispute')",
          "parked",
        ),
      ];
    case "disputed":
      return processorItems(
        db,
        "kind = 'dispute' AND settled_state IN ('opened', 'won')",
        "disputed",
      );
    case "reserve":
      return processorItems(db, "kind = 'reserve'", "reserve");
    case "fees_accrued":
      return accruals(db)
        .filter(({ state }) => state === "accrued")
        .map((accrual) => ({
          words: `Fees of ${accrual.month}, ${accrual.account}`,
          more: "not billed yet",
          on: accrual.onDay,
          amount: negate(accrual.sum),
          href: "payouts?show=fees",
        }));
    case "bank":
      return [
        ...bankAccounts(db).map((account) => ({
          words: `Opening balance, ${account.name}`,
          more: "",
          on: null,
          amount: account.openingBalance,
          href: null,
        })),
        ...db
          .all<{ state: string; month: string; sum: Minor; n: number }>(
            "SELECT state, substr(posted_on, 1, 7) AS month, sum(amount) AS sum, count(*) AS n FROM bank_line WHERE state <> 'open' GROUP BY 2, 1 ORDER BY 2 DESC, 1",
          )
          .map((row) => ({
            words: `${row.month}: ${row.n} lines, ${STATE_WORDS[row.state] ?? row.state}`,
            more: "",
            on: null,
            amount: row.sum,
            href: `arrivals?list=lines&state=${row.state}`,
          })),
      ];
    case "payouts":
      return db
        .all<{ month: string; sum: Minor; n: number }>(
          "SELECT substr(p.paid_on, 1, 7) AS month, sum(coalesce(t.at_bank, t.amount)) AS sum, count(DISTINCT p.id) AS n FROM payout_tie t JOIN payout p ON p.id = t.payout_id WHERE t.ended_by IS NULL GROUP BY 1 ORDER BY 1 DESC",
        )
        .map((row) => ({
          words: `${row.month}: ${row.n} payouts tied`,
          more: "",
          on: null,
          amount: row.sum,
          href: `payouts?month=${row.month}`,
        }));
    case "on_hand":
      return [...receiptsByHand(db, "on_hand"), ...receiptsByHand(db, "deposited")].map((row) => ({
        words: `${row.method.replace("_", " ")} ${row.number ?? ""}, ${row.payerName || "payer not known"}`,
        more: row.handState === "on_hand" ? "on hand" : "in a deposit under way",
        on: row.paidOn,
        amount: row.amount,
        href: `receipts/${row.id}`,
      }));
    case "entries":
    case "balances":
    case "applications":
      return [];
    default:
      throw name satisfies never;
  }
}

const STATE_WORDS: Record<string, string> = {
  payout: "payouts",
  receipt: "receipts by themselves",
  elsewhere: "put aside",
  deposit: "deposits by hand",
  bounce: "checks that bounced",
};

const ROLE_OF = { unidentified: "unidentified", on_account: "credits", parked: "parked" } as const;

function receipts(
  db: Db,
  part: "unidentified" | "on_account" | "parked",
  sign: 1 | -1,
): ProofDocument[] {
  return db
    .all<{ id: number; payer: string; paidOn: Day; reference: string; amount: number }>(
      `SELECT id, coalesce(nullif(payer_name, ''), payer_email) AS payer, paid_on AS paidOn, reference, ${bookValue("r", part, ROLE_OF[part], "receipt", -1)} AS amount FROM receipt r WHERE ${part} <> 0 ORDER BY paid_on, id`,
    )
    .map((row) => ({
      words: row.payer || "receipt",
      more: row.reference,
      on: row.paidOn,
      amount: (sign * row.amount) as Minor,
      href: `receipts/${row.id}`,
    }));
}

function processorItems(db: Db, where: string, role: Role): ProofDocument[] {
  return db
    .all<{
      id: number;
      kind: string;
      externalId: string;
      on: Day;
      amount: number;
      reason: string | null;
      receiptId: number | null;
      payoutId: number | null;
    }>(
      `SELECT id, kind, external_id AS externalId, settled_on AS "on", ${bookValue("i", "amount", role, "processor_item", -1)} AS amount, reason, receipt_id AS receiptId, payout_id AS payoutId FROM processor_item i WHERE withdrawn = 0 AND ${where} ORDER BY settled_on, id`,
    )
    .map((row) => ({
      words: `${row.kind.replaceAll("_", " ")} ${row.externalId}`,
      more: row.reason ?? "",
      on: row.on,
      amount: -row.amount as Minor,
      href:
        row.receiptId !== null
          ? `receipts/${row.receiptId}`
          : row.payoutId !== null
            ? `payouts/${row.payoutId}`
            : null,
    }));
}
