import type { Day } from "@/core/calendar";
import type { FieldSpec, FileKind, MappingSpec } from "@/core/formats";
import type { ReadMail } from "@/core/parties";
import type { Currency, Minor } from "@/core/money";

import type { BulkPayout } from "./payouts";

export type TakenFile = {
  id: number;
  name: string;
  kind: FileKind;
  onDay: Day;
  actor: string;
  rowsNew: number;
  rowsKnown: number;
  rowsChanged: number;
  rowsRefused: number;
  /** The act by which it was taken back; null while it stands. */
  undoneBy: number | null;
};
/** A file of before, to be read anew: as it came, with the mapping that it was taken in by. */
export type FileAgain = {
  id: number;
  name: string;
  sha256: string;
  kind: FileKind;
  mapping: MappingSpec;
  /** Whether it was taken back since: then there is nothing to take back first. */
  isBack: boolean;
};
export type Accounts = {
  processor: (readonly [string, string])[];
  bank: (readonly [string, string])[];
};
export type SavedMapping = { name: string; kind: FileKind; spec: MappingSpec };
export type ArrivalsFacts = {
  book: string;
  currency: Currency;
  today: Day;
  cutOverOn: Day;
  files: TakenFile[];
  count: number;
  page: number;
  pageRows: number;
  arrived: string[];
  /** How many refused lines wait in the tray. */
  tray: number;
  /** A file that was taken in and is read again; null where none is. */
  again: FileAgain | null;
  fields: Record<FileKind, readonly FieldSpec[]>;
  last: Record<FileKind, string | null>;
  accounts: Accounts;
  mappings: SavedMapping[];
  mostMegabytes: number;
};
/** Something that rests on what a file brought, and would be undone before it. */
export type FileRest = {
  commandId: number;
  words: string;
  count: number;
  actor: string;
  onDay: Day;
};
/** What a file seems to be, with a first mapping and its first lines. */
export type InspectedTable = {
  kind: FileKind;
  mapping: MappingSpec;
  headers: readonly string[];
  sample: readonly (readonly string[])[];
  lines: number;
  /** Its fields are fixed by a published format, and no column is guessed. */
  agreed: boolean;
  /** The line on which the head of a list stands, 0 where it has none; null in a published format. */
  headLine: number | null;
  /** The first lines of a list as they came: the head is one of them. */
  firstLines: readonly string[];
  /** The lists of a workbook with several, each with the line of its head and its columns. */
  sheets: readonly { headLine: number; headers: readonly string[] }[];
  rowWords: string[];
  /** What kind of file it is, where its columns leave that open. */
  kindOpen: FileQuestion | null;
};
/** A file that was kept but not taken in yet. */
export type InspectedFile = InspectedTable & { sha256: string; size: number; name: string };
/** A thing that a file leaves open, in words, with what each answer would make of it. */
export type FileQuestion = {
  key: string;
  words: string;
  choices: readonly { answer: string; result: string }[];
};
/** A line that was refused, or that says otherwise than the book. */
export type RefusedLine = {
  line: number;
  field: string;
  column: string;
  /** The cell as it came, where one cell is what is wrong; else empty. */
  cell: string;
  reason: string;
  /** It is known, and says otherwise than before. */
  changed: boolean;
  /** Nothing of it was taken: a person has to look at it. */
  waits: boolean;
};
/** A line as it is understood, in words: `Mon 2 Nov`, `(300.00)`, `refund`, `Ann Lee`. */
export type UnderstoodLine = {
  line: number;
  day: string;
  sum: string;
  what: string;
  who: string;
  /** Its cells as they came. */
  came: string;
};
/** A mail of the mailbox, and what became of it. */
export type MailRow = ReadMail & { id: number; customer: string | null };
/** `mailbox`: whose is read; null where none is. */
export type MailsRead = {
  rows: MailRow[];
  count: number;
  page: number;
  pageRows: number;
  mailbox: string | null;
  /** Why it could not be read the last time; null where it could. */
  problem: string | null;
};
export type ImportReport = {
  fileId: number | null;
  /** Lines of the file below its head: new + known + changed + refused + left out. */
  lines: number;
  new: number;
  known: number;
  changed: number;
  refused: RefusedLine[];
  outcome: { words: string; count: number; sum: number | null; currency: Currency | null }[];
  /** Lines that are left out, by the rule that says so. */
  leftOut: { line: number; why: string }[];
  /** What the file's own sums prove, and what does not follow. */
  proofs: string[];
  /** The first lines as they are understood. */
  understood: UnderstoodLine[];
  /** What is to be said before anything is taken in. */
  questions: FileQuestion[];
};

/**
 * What an open bank line could be besides a payout: a deposit by hand, or a check taken back (with
 * small lines beside it that may be its fee).
 */
export type LineChoices = {
  deposits: { id: number; onDay: Day; words: string; sum: Minor }[];
  bounced: { receiptId: number; paidOn: Day; words: string; amount: Minor }[];
  fees: { id: number; description: string; amount: Minor }[];
  lumps: BulkPayout[];
  /** Months of fees that it may be the bill for, and credit on account that it may have sent back. */
  bills: {
    ids: number[];
    words: string;
    sum: Minor;
  }[];
  refunds: { receiptId: number; words: string; credit: Minor }[];
};
