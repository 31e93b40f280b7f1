import { fail, ok, type Result } from "@/core/result";

import { type AgreedRow, agreedTable, decimalOf, digitsOf, spanOf } from "../agreedTable";
import type { Table } from "../csv/table";
import { allAt, at, textAt, type XmlNode, xmlTree } from "../xml/tree";
import { bookedAt, bookedOn } from "./days";
import { isBooked, isPending } from "./states";
import { accountAt, checkOf, gapOf, signedSum, Unreadable } from "./sums";
import { type Entry, orderedOf, partOf, remittanceOf, remittanceRows } from "./details";

/** Statements (camt.053), reports of the day (camt.052) and notices (camt.054), of every version. */
const MESSAGE = /urn:iso:std:iso:20022:tech:xsd:camt\.05([234])\.\d{3}\.\d{2}/;

export const isCamt = (text: string): boolean => MESSAGE.test(text.slice(0, 4000));

/**
 * A camt.053 as lines of a statement, a camt.054 as remittance advice (ISO 20022, bank-to-customer
 * cash management). Each entry is a line; a batch whose details add up to it is a line for each.
 * Pending entries stand beside them as such. Opening balance and entries must come to the closing balance.
 */
export function camtTable(text: string): Result<Table> {
  const tree = xmlTree(text);
  if (!tree.ok) return tree;
  const message = MESSAGE.exec(tree.value.space)?.[1];
  if (message === undefined) return fail("file.xml", { name: tree.value.name });
  const body = tree.value.children[0];
  const statements = ["Stmt", "Ntfctn", "Rpt"].flatMap((name) => allAt(body, name));
  if (statements.length === 0) return fail("file.no_rows");
  try {
    return message === "4" ? noticeTable(statements) : statementTable(statements);
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, error: error.failure };
    throw error;
  }
}

function statementTable(statements: readonly XmlNode[]): Result<Table> {
  const rows: AgreedRow[] = [];
  const proofs: string[] = [];
  let off: string | null = null;
  for (const statement of statements) {
    const account = accountAt(statement);
    const entries = allAt(statement, "Ntry");
    for (const entry of entries)
      for (const fields of linesOf(entry))
        rows.push({
          line: rows.length + 1,
          fields: { account, ...fields },
          aside: isPending(entry) ? "not_yet" : null,
          doubt: isBooked(entry) ? sideDoubt(entry) : "own_state",
          moment: bookedAt(entry),
        });
    const check = checkOf(statement, entries.filter(isBooked));
    if (check.proof) proofs.push(check.proof);
    proofs.push(...pageOf(statement));
    off ??= check.off ?? miscounted(statement, entries);
  }
  off ??= gapOf(statements);
  const span = spanOf(
    statements.flatMap((statement) =>
      ["FrDtTm", "ToDtTm"].map((name) => (textAt(statement, "FrToDt", name) ?? "").slice(0, 10)),
    ),
  );
  return rows.length === 0
    ? fail("file.no_rows")
    : ok(agreedTable("bank", rows, { proofs, off, span }));
}

/** A sum below zero has two signs: its own, and the one that its entry is called by. */
const sideDoubt = (entry: XmlNode): "wrong_side" | null =>
  at(entry, "Amt")?.text.trim().startsWith("-") === true ? "wrong_side" : null;

/** Which page of a statement this is, where it is not the only one. */
function pageOf(statement: XmlNode): string[] {
  const page = textAt(statement, "StmtPgntn", "PgNb");
  const isLast = textAt(statement, "StmtPgntn", "LastPgInd") === "true";
  if (page === null || (isLast && Number(page) === 1)) return [];
  return [`this is page ${page} of the statement, ${isLast ? "the last one" : "and more follow"}`];
}

/** Entries that a statement says to have, and has not: a part of it is missing. Some count booked ones alone. */
function miscounted(statement: XmlNode, entries: readonly XmlNode[]): string | null {
  const said = textAt(statement, "TxsSummry", "TtlNtries", "NbOfNtries");
  const counts = [entries.length, entries.filter(isBooked).length];
  return said === null || counts.includes(Number(said))
    ? null
    : `the statement says that it has ${said} entries, and has ${entries.length}`;
}

/** An entry as one line, or as a line for each of its details where they add up to it. */
function linesOf(entry: XmlNode): Record<string, string>[] {
  const { minor, currency } = signedSum(entry);
  const digits = digitsOf(currency);
  const reference = textAt(entry, "AcctSvcrRef") ?? "";
  const shared = {
    postedOn: bookedOn(entry),
    currency,
  };
  const details = allAt(entry, "NtryDtls").flatMap((node) => allAt(node, "TxDtls"));
  const parts = partsOf(details, { digits, currency, sign: Math.sign(minor) }, minor);
  const words = textAt(entry, "AddtlNtryInf") ?? "";
  if (parts !== null)
    return details.map((detail, nth) => ({
      ...shared,
      id: textAt(detail, "Refs", "AcctSvcrRef") ?? (reference && `${reference}/${nth + 1}`),
      amount: decimalOf(parts[nth] ?? 0, digits),
      description: remittanceOf(detail, minor) || words,
    }));
  return [
    {
      ...shared,
      id: reference,
      amount: decimalOf(minor, digits),
      description:
        [...details.map((detail) => remittanceOf(detail, minor)), details.length === 0 ? words : ""]
          .filter((text) => text !== "")
          .join(" ")
          .slice(0, 500) || words,
    },
  ];
}

/** The sums of details that come to their entry: booked ones, else ordered ones; null where they do not. */
function partsOf(details: readonly XmlNode[], entry: Entry, whole: number): number[] | null {
  if (details.length < 2) return null;
  for (const sumOf of [partOf, orderedOf]) {
    const parts = details.flatMap((detail) => sumOf(detail, entry) ?? []);
    const comes = parts.reduce((total, part) => total + part, 0) === whole;
    if (parts.length === details.length && comes) return parts;
  }
  return null;
}

function noticeTable(statements: readonly XmlNode[]): Result<Table> {
  const rows = statements
    .flatMap((statement) => allAt(statement, "Ntry"))
    .filter((entry) => textAt(entry, "CdtDbtInd") === "CRDT")
    .flatMap((entry) => {
      const { minor, currency } = signedSum(entry);
      const digits = digitsOf(currency);
      const shared = {
        paidOn: bookedOn(entry),
        currency,
        trace: textAt(entry, "AcctSvcrRef") ?? "",
        total: decimalOf(minor, digits),
      };
      return allAt(entry, "NtryDtls")
        .flatMap((node) => allAt(node, "TxDtls"))
        .flatMap((detail) => remittanceRows(detail, shared, digits));
    });
  return rows.length === 0
    ? fail("file.no_advice")
    : ok(
        agreedTable(
          "remittance",
          rows.map((fields, at) => ({ line: at + 1, fields })),
        ),
      );
}
