import { add, type Minor } from "@/core/money";

/**
 * The control sums. Each is computed twice, from the journal and from the
 * documents, and compared. `broken` ones must never be; `work` is open work
 * that is shown with its sum until it is done.
 */
export const PROOF_NAMES = [
  "entries",
  "balances",
  "receivables",
  "clearing",
  "unidentified",
  "credits",
  "disputed",
  "on_hand",
  "reserve",
  "fees_accrued",
  "parked",
  "payouts",
  "bank",
  "applications",
] as const;
export type ProofName = (typeof PROOF_NAMES)[number];

export type Proof = {
  readonly name: ProofName;
  readonly journal: Minor;
  readonly documents: Minor;
  readonly off: Minor;
  readonly holds: boolean;
};

/** Work that is still open, with its sum and how many there are. */
export type WorkName =
  | "to_match"
  | "deposits_untied"
  | "approvals"
  | "write_offs"
  | "payouts_off"
  | "payouts_untied"
  | "bank_unexplained"
  | "statement_gaps"
  | "negative_credits";
export type OpenWork = { readonly name: WorkName; readonly sum: Minor; readonly count: number };

export type ProofReport = {
  readonly proofs: readonly Proof[];
  readonly work: readonly OpenWork[];
  readonly holds: boolean;
};

/** Both sides of a proof; `strays`: documents that differ from their own lines. */
export type ProofSides = {
  name: ProofName;
  journal: Minor;
  documents: Minor;
  strays?: number;
};

/**
 * Compares both sides. Sums are in the book's currency, debit positive. An
 * account with single documents that are wrong yet cancel out is caught by
 * `strays`: how many documents differ from their own lines in the journal.
 */
export function prove(sides: readonly ProofSides[], work: readonly OpenWork[]): ProofReport {
  const proofs = sides.map(({ name, journal, documents, strays = 0 }) => {
    const off = add(journal, -documents);
    return { name, journal, documents, off, holds: off === 0 && strays === 0 };
  });
  return {
    proofs,
    work: work.filter((openWork) => openWork.count > 0),
    holds: proofs.every((proof) => proof.holds),
  };
}
