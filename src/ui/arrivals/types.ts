import type { Day } from "@/core/calendar";
import type { FieldSpec, FileKind, MappingSpec } from "@/core/formats";
import type { Currency } from "@/core/money";

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
  fields: Record<FileKind, readonly FieldSpec[]>;
  last: Record<FileKind, string | null>;
  accounts: Accounts;
  mappings: SavedMapping[];
  mostMegabytes: number;
};
/** A file that was kept but not taken in yet. */
export type Waiting = {
  sha256: string;
  size: number;
  name: string;
  kind: FileKind;
  mapping: MappingSpec;
  headers: readonly string[];
  sample: readonly (readonly string[])[];
  lines: number;
  rowWords: string[];
};
export type Report = {
  fileId: number | null;
  lines: number;
  new: number;
  known: number;
  changed: number;
  refused: { line: number; field: string; column: string; reason: string; changed: boolean }[];
  outcome: { words: string; count: number; sum: number | null; currency: Currency | null }[];
};
