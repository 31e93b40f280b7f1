import type { Day } from "@/core/calendar";
import type { JournalLayout } from "@/core/formats";
import type { Currency, Minor } from "@/core/money";

/** What stands open in another currency, by what it is: in its own, as carried, and at the day's rate. */
export type ForeignSum = {
  currency: Currency;
  what: string;
  count: number;
  amount: Minor;
  book: Minor;
  atRate: Minor;
  off: Minor;
};

export type JournalExportFacts = {
  from: Day;
  to: Day;
  all: number;
  fresh: number;
  layouts: { name: string; spec: JournalLayout }[];
  accounts: { code: string; name: string }[];
  made: { id: number; layout: string; from: Day; to: Day; entries: number; actId: number }[];
};

/** One document of a proof, with what it adds to the sum (debit positive). */
export type ProofDocument = {
  words: string;
  more: string;
  on: Day | null;
  amount: Minor;
  href: string | null;
};

export type OffDocument = {
  words: string;
  href: string | null;
  journal: Minor;
  documents: Minor;
  sinceEntry: number | null;
  sinceOn: Day | null;
  explained: string;
};

/** The documents of a proof, at most `shown` of `count`; `sum` is that of all. */
export type ProofBreakdown = {
  documents: ProofDocument[];
  count: number;
  sum: Minor;
  /** Where it is off: the document, both sides, since which entry, and what explains it. */
  off: OffDocument[];
};

/** A line of the audit trail: whether it can be undone from here, and how many that were done together with it can. */
export type AuditTrailRow = {
  id: number;
  commandId: number;
  onDay: Day;
  /** On the clock of the book's zone, to the second. */
  at: string;
  actor: string;
  text: string;
  undoneBy: number | null;
  undoable: boolean;
  together: number;
  href: string | null;
};

/** A proof as the page shows it: what must hold, and both sides of it with their names. */
export type ProofLine = {
  name: string;
  what: string;
  journalWords: string;
  documentWords: string;
  journal: Minor;
  documents: Minor;
  off: Minor;
  holds: boolean;
};

/** Open work, which breaks no proof, with the page where it is done. */
export type WorkLine = { name: string; words: string; count: number; sum: Minor; href: string };

/** A journal file that was made: how many entries are in it, and how many of them were sent before. */
export type JournalFileMade = { actId: number; fileId: number; entries: number; again: number };

/** Whether the audit trail is whole: how many records fit, the hash of the last, and what does not. */
export type TrailProof = { holds: boolean; records: number; head: string; problem: string | null };
/** A copy of the book that was proven when it was taken. `at`: ISO 8601, UTC. */
export type KeptBackup = { file: string; at: string; bytes: number };
/** What came out when the last backup was restored into a scratch folder. */
export type DrillResult = { at: string; proofs: number; head: string; broken: string[] };
