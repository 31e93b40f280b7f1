import { allAt, at, textAt, type XmlNode } from "../xml/tree";
import { decimalOf } from "../agreedTable";

/**
 * The sum of a detail of an entry in minor units, with the sign of its own mark, else of the entry;
 * null where it has none of its own.
 */
export const partOf = (detail: XmlNode, entry: Entry): number | null =>
  signedPart(at(detail, "Amt") ?? at(detail, "AmtDtls", "TxAmt", "Amt"), detail, entry);

/** The same by what the payer ordered, of which charges may have been kept on the way. */
export const orderedOf = (detail: XmlNode, entry: Entry): number | null =>
  signedPart(at(detail, "AmtDtls", "InstdAmt", "Amt"), detail, entry);

function signedPart(
  amount: XmlNode | undefined,
  detail: XmlNode,
  { digits, currency, sign }: Entry,
): number | null {
  const text = amount?.text.trim() ?? null;
  // What was paid in another currency is no part of the entry.
  if ((amount?.attributes.Ccy ?? currency) !== currency) return null;
  if (text === null || !/^\d{1,15}(?:\.\d{1,5})?$/.test(text)) return null;
  return (SIGNS[textAt(detail, "CdtDbtInd") ?? ""] ?? sign) * minorOf(text, digits);
}

/** What a detail's entry is in, and its way. */
export type Entry = { readonly digits: number; readonly currency: string; readonly sign: number };

const SIGNS: Readonly<Record<string, number>> = { CRDT: 1, DBIT: -1 };

const minorOf = (text: string, digits: number): number => Math.round(Number(text) * 10 ** digits);

/** A party by its name, as the older and the newer versions write it. */
const partyOf = (detail: XmlNode, role: string): string | null =>
  textAt(detail, "RltdPties", role, "Nm") ?? textAt(detail, "RltdPties", role, "Pty", "Nm");

const payerOf = (detail: XmlNode): string =>
  partyOf(detail, "Dbtr") ?? partyOf(detail, "UltmtDbtr") ?? "";

/** Who stands on the other side, and on whose behalf where that is somebody else. */
const partiesOf = (detail: XmlNode, sign: number): string[] => {
  // What came back keeps the parties that it had when it went.
  const isBack = at(detail, "RtrInf") !== undefined;
  const isTheirs = sign < 0 !== isBack;
  const sides = isTheirs ? [CREDITOR, DEBTOR] : [DEBTOR, CREDITOR];
  const named = sides.map((roles) => roles.flatMap((role) => partyOf(detail, role) ?? []));
  return [...new Set(named.find((names) => names.length > 0) ?? [])];
};

const DEBTOR = ["Dbtr", "UltmtDbtr"] as const;
const CREDITOR = ["Cdtr", "UltmtCdtr"] as const;

/** What is paid of a document, or was due; what a credit note takes off stands below zero. */
function amountIn(structured: XmlNode): string | null {
  const sum = (name: string): string | null => textAt(structured, "RfrdDocAmt", name);
  const credit = sum("CdtNoteAmt");
  return sum("RmtdAmt") ?? sum("DuePyblAmt") ?? (credit === null ? null : `-${credit}`);
}

/** Structured references of a detail: the creditor's reference and the documents that are named. */
const referencesOf = (
  detail: XmlNode,
): { number: string; amount: string | null; discount: string | null }[] =>
  allAt(at(detail, "RmtInf"), "Strd").flatMap((structured) => {
    const discount =
      textAt(structured, "RfrdDocAmt", "DscntApldAmt") ??
      textAt(structured, "RfrdDocAmt", "DscntApldAmt", "Amt");
    const documents = allAt(structured, "RfrdDocInf");
    // A sum that several documents share says of none what is paid of it.
    const amount = documents.length === 1 ? amountIn(structured) : null;
    const named = documents.flatMap((document) => {
      const number = textAt(document, "Nb");
      return number === null ? [] : [{ number, amount, discount }];
    });
    const reference = textAt(structured, "CdtrRefInf", "Ref");
    if (named.length > 0 || reference === null) return named;
    return [{ number: reference, amount: null, discount: null }];
  });

/** What a detail says in words: who, what was written, references, and the other side's own reference. */
export function remittanceOf(detail: XmlNode, sign: number): string {
  const written = allAt(at(detail, "RmtInf"), "Ustrd").map((node) => node.text.trim());
  const endToEnd = textAt(detail, "Refs", "EndToEndId") ?? "";
  return [
    ...partiesOf(detail, sign),
    ...written,
    ...referencesOf(detail).map(({ number }) => number),
    ...allAt(at(detail, "RmtInf"), "Strd").flatMap((node) =>
      allAt(node, "AddtlRmtInf").map(({ text }) => text.trim()),
    ),
    /^(NOTPROVIDED|NONREF)?$/i.test(endToEnd) ? "" : endToEnd,
    textAt(detail, "AddtlTxInf") ?? "",
  ]
    .filter((text) => text !== "")
    .join(" ")
    .slice(0, 500);
}

/** The documents that a detail pays, each with its part; one without a part bears what is left. */
export function remittanceRows(
  detail: XmlNode,
  shared: Readonly<Record<string, string>>,
  digits: number,
): Record<string, string>[] {
  const currency = shared.currency ?? "";
  const own = partOf(detail, { digits, currency, sign: 1 });
  const total = own === null ? (shared.total ?? "") : decimalOf(own, digits);
  const trace =
    textAt(detail, "Refs", "EndToEndId") ??
    textAt(detail, "Refs", "AcctSvcrRef") ??
    shared.trace ??
    "";
  const base = { ...shared, trace, total, payerName: payerOf(detail) };
  const references = referencesOf(detail);
  if (references.length === 0) {
    const written = allAt(at(detail, "RmtInf"), "Ustrd")
      .map((node) => node.text.trim())
      .join(" ");
    return written === "" ? [] : [{ ...base, number: written.slice(0, 140), amount: total }];
  }
  return references.map(({ number, amount, discount }) => ({
    ...base,
    number,
    amount: amount ?? (references.length === 1 ? total : ""),
    discount: discount ?? "",
  }));
}
