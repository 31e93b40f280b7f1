import type { ProofLine, WorkLine } from "@/contracts/books";
import { type ProofName, type ProofReport, prove, type WorkName } from "@/core/ledger";
import type { Db } from "@/db/connection";
import { controlTotals } from "@/db/controlTotals";
import { openWork } from "@/db/openWork";

/** Every proof of a book, computed anew from the journal and from the documents. */
export function proofs(db: Db): ProofReport {
  return prove(controlTotals(db), openWork(db));
}

/** The two sides of each proof, and what it says. */
const PROOF_WORDS: Record<ProofName, [string, string, string]> = {
  entries: ["Debits", "credits", "Every entry foots"],
  balances: [
    "Balances kept",
    "lines of the journal",
    "The balances kept beside the journal are its own",
  ],
  receivables: ["Receivables", "open items", "Accounts receivable are the open items, one by one"],
  clearing: [
    "Clearing",
    "not yet paid out",
    "The clearing accounts are what has settled and is not in a tied payout",
  ],
  unidentified: [
    "Not identified",
    "receipts to match",
    "Receipts not identified are the receipts without a home",
  ],
  credits: [
    "Credit on account",
    "receipts kept on account",
    "Credit on account is what receipts left over",
  ],
  disputed: ["Disputed", "disputes open", "Disputed receipts are the disputes still open"],
  on_hand: ["On hand", "checks and cash", "Checks and cash on hand are those not deposited"],
  reserve: ["Reserve", "held by processors", "The reserve is what processors hold"],
  fees_accrued: [
    "Fees accrued",
    "months not billed yet",
    "Fees accrued are the months that the processor has not billed",
  ],
  parked: [
    "Parked",
    "set aside or unexplained",
    "What is parked is what was set aside, with its reasons",
  ],
  payouts: [
    "Items of tied payouts",
    "their bank lines",
    "Each tied payout is its items and its bank lines",
  ],
  bank: [
    "Bank",
    "statement lines explained",
    "The bank is its opening and every statement line that is explained",
  ],
  applications: [
    "Applied by receipts",
    "given to items",
    "What receipts gave is what items got, one by one",
  ],
};

export function proofInWords(name: ProofName): {
  journal: string;
  documents: string;
  what: string;
} {
  const [journal, documents, what] = PROOF_WORDS[name];
  return { journal, documents, what };
}

export function workInWords(name: WorkName): string {
  const words: Record<WorkName, string> = {
    to_match: "receipts to match",
    payouts_off: "payouts whose items do not sum",
    payouts_untied: "payouts not at the bank yet",
    deposits_untied: "deposits not at the bank yet",
    approvals: "write-offs that wait for a second person",
    write_offs: "debts to be given up that wait for a second person",
    bank_unexplained: "bank lines not explained",
    statement_gaps: "statements that do not follow on",
    negative_credits: "refunds of money that had been applied",
  };
  return words[name];
}

/** Where a kind of open work is done, below the book's address. */
export function workPage(name: WorkName): string {
  const pages: Record<WorkName, string> = {
    to_match: "match",
    payouts_off: "payouts?show=open",
    payouts_untied: "payouts?show=open",
    deposits_untied: "match?queue=hand",
    approvals: "match?queue=second",
    write_offs: "overdue?show=given-up",
    bank_unexplained: "arrivals?list=lines&state=open",
    statement_gaps: "arrivals?list=lines",
    negative_credits: "books?proof=credits",
  };
  return pages[name];
}

/** Every proof as the page shows it. */
export function proofLines(report: ProofReport): ProofLine[] {
  return report.proofs.map((proof) => {
    const { what, journal, documents } = proofInWords(proof.name);
    return { ...proof, what, journalWords: journal, documentWords: documents };
  });
}

/** All open work as the page shows it. */
export function workLines(report: ProofReport): WorkLine[] {
  return report.work.map((work) => ({
    ...work,
    words: workInWords(work.name),
    href: workPage(work.name),
  }));
}
