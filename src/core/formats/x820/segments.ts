/** Segments of X12 with their elements; marks are told by the interchange's own head, or are `*` and `~` or `\`. */
export type Segment = readonly string[];

/** What stands between elements, and what ends a segment. */
export function marksOf(text: string): { element: string; ends: string } {
  const bare = text.trim();
  const isWhole = bare.startsWith("ISA") && bare.length > 105;
  return {
    element: isWhole ? (bare[3] ?? "*") : (/^(?:ST|RMR|TRN|BPR)(.)/.exec(bare)?.[1] ?? "*"),
    ends: isWhole ? (bare[105] ?? "~") : (["~", "\\"].find((mark) => bare.includes(mark)) ?? "~"),
  };
}

export function segmentsOf(text: string): Segment[] {
  const { element, ends } = marksOf(text);
  return text
    .trim()
    .split(ends)
    .map((segment) => segment.trim().split(element))
    .filter(([name]) => name !== undefined && /^[A-Z][A-Z0-9]{1,2}$/.test(name));
}

/** `20261103` as `2026-11-03`; empty where it is no day. */
export const dayIn = (text: string | undefined): string =>
  /^\d{8}$/.test(text ?? "")
    ? `${text?.slice(0, 4) ?? ""}-${text?.slice(4, 6) ?? ""}-${text?.slice(6) ?? ""}`
    : "";

/** A document that a payment names, and what its number is by its qualifier. */
export type PaidDocument = {
  readonly number: string;
  readonly amount: string;
  readonly discount: string;
  readonly qualifier: string;
};

/** What segments say of the documents that are paid: number, paid, discount (RMR: ASC X12 820). */
export const documentsIn = (segments: readonly Segment[]): PaidDocument[] =>
  segments.flatMap(
    ([name, qualifier = "", number = "", , paid = "", invoiced = "", discount = ""]) =>
      name === "RMR" && number !== ""
        ? [{ number, amount: paid || invoiced, discount, qualifier }]
        : [],
  );

/**
 * Qualifiers of invoices and open items, and of credit and debit memos (ASC X12, data element 128; from memory); by
 * others a number is that of an order, of an account, of a voucher of the payer's.
 */
const OF_DOCUMENTS: ReadonlySet<string> = new Set([
  "",
  "IV",
  "IK",
  "OI",
  "R7",
  "CM",
  "CL",
  "DL",
  "DB",
]);

/** Whether a payment names by this what it pays; else a person is to say. */
export const doubtOfDocument = ({
  qualifier,
}: Pick<PaidDocument, "qualifier">): "other_document" | null =>
  OF_DOCUMENTS.has(qualifier) ? null : "other_document";
