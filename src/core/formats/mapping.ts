import { type DayOrder } from "@/core/calendar";
import { type DecimalMark } from "@/core/money";

import { type RowKind } from "../activity";

type FileKindTraits = {
  label: string;
  /** The account that a file of the kind belongs to; null where it belongs to the book. */
  account: "processor" | "bank" | null;
  /** Whether its sums may be in any currency that the book has a rate for. */
  anyRate: boolean;
};

/** What a file can be of. */
export const FILE_KIND_TRAITS = {
  customers: { label: "Customers", account: null, anyRate: false },
  invoices: { label: "Open invoices", account: null, anyRate: true },
  processor: { label: "Processor activity", account: "processor", anyRate: false },
  bank: { label: "Bank statement", account: "bank", anyRate: false },
  remittance: { label: "Remittance advice", account: null, anyRate: true },
  returns: { label: "ACH returns", account: null, anyRate: true },
} as const satisfies Record<string, FileKindTraits>;

export type FileKind = keyof typeof FILE_KIND_TRAITS;
export const FILE_KINDS = Object.keys(FILE_KIND_TRAITS) as [FileKind, ...FileKind[]];

/** How a file's columns and signs are to be understood; kept by name, made once. */
export type MappingSpec = {
  kind: FileKind;
  /** Field to the header of its column. */
  columns: Record<string, string>;
  dayOrder: DayOrder;
  decimalMark: DecimalMark;
  /**
   * What people said of what the file leaves open, by the key of the question. Where it is there, the
   * file is read by what it proves, and the fields below it are not looked at.
   */
  answers?: Readonly<Record<string, string>> | undefined;
  /** Whether a person said so; else it is asked where the file leaves it open. */
  markSaid?: boolean | undefined;
  /** The kind of row for each word in the kind column, lower case. */
  rowKinds: Record<string, RowKind>;
  /**
   * as_written: signs say the effect on the processor's balance; by_kind: refunds, fees and the
   * like are written positive.
   */
  signs: "as_written" | "by_kind";
  /** Payout rows are negative in some files (money leaving the processor): then their sign is turned. */
  payoutSign: "as_written" | "turned";
  /** The fee of a row as a cost (positive lowers the net) or as its effect (negative lowers it). */
  feeSign: "cost" | "effect";
};
