import { type FileKind, missingFields, plainWords, type Table } from "@/core/formats";

import type { Columns } from "./sheet";

/** Heads of the kinds, each of which a file of it is likely to have (common practice, no source). */
const OF_KIND: Partial<Record<FileKind, readonly RegExp[]>> = {
  processor: [
    /\b(?:payouts?|fees?|charges?|charged|refunds?|refunded|disputes?|disputed|chargebacks?|gross|settlements?|funded|arrival|gateway|captured)\b/,
  ],
  invoices: [/\b(?:due|invoices?|outstanding|overdue|terms)\b/],
  remittance: [
    /\b(?:checks?|cheques?|eft|remit\w*|advice|payer|vendor)\b/,
    /\b(?:invoices?|documents?|bills?)\b/,
  ],
};

/** So much less likely is a list of names that holds sums. */
const WITH_SUMS = 3;

/** The kinds that a file could be, the likeliest first: the one that can be read, and explains most of its columns. */
export function likeliestKinds(
  { headers }: Table,
  kinds: readonly FileKind[],
  { columnsOf, hasSums }: { columnsOf: (kind: FileKind) => Columns; hasSums: boolean },
): readonly FileKind[] {
  const has = (heads: RegExp): boolean => headers.some((head) => heads.test(plainWords(head)));
  const scoreOf = (kind: FileKind): number => {
    const columns = columnsOf(kind);
    const needs = missingFields({ kind, columns }).length;
    const explained = new Set(Object.values(columns)).size;
    const speaks = OF_KIND[kind]?.every((heads) => has(heads)) === true;
    const isWithSums = kind === "customers" && hasSums;
    return explained + (speaks ? 3 : 0) - 2 * needs - (isWithSums ? WITH_SUMS : 0);
  };
  const scores = new Map(kinds.map((kind) => [kind, scoreOf(kind)]));
  return [...kinds].sort((a, b) => (scores.get(b) ?? 0) - (scores.get(a) ?? 0));
}
