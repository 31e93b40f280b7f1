import { currencyOf, parseAmount } from "@/core/money";
import type { Failure } from "@/core/result";

import { balanceCheck, decimalOf, digitsOf, endOfAccount, statementGap } from "../agreedTable";
import { allAt, at, textAt, type XmlNode } from "../xml/tree";

/** A sum that cannot be read, with why. */
export class Unreadable extends Error {
  constructor(readonly failure: Failure) {
    super(failure.code);
  }
}

type Sum = { readonly minor: number; readonly currency: string };

/** The amount of an element, signed by its credit or debit mark, in minor units. */
export function signedSum(node: XmlNode | undefined): Sum {
  const amount = at(node, "Amt");
  const code = amount?.attributes.Ccy ?? "";
  const currency = currencyOf(code);
  if (!currency) throw new Unreadable({ code: "currency.unknown", text: code });
  const read = parseAmount(amount?.text ?? "", ".", currency);
  if (!read.ok) throw new Unreadable(read.error);
  const mark = textAt(node, "CdtDbtInd");
  if (mark !== "CRDT" && mark !== "DBIT")
    throw new Unreadable({ code: "field.empty", field: "CdtDbtInd" });
  return { minor: mark === "DBIT" ? -read.value : read.value, currency };
}

/** How the number of a statement's account ends. */
export const accountAt = (statement: XmlNode): string =>
  endOfAccount(
    textAt(statement, "Acct", "Id", "IBAN") ?? textAt(statement, "Acct", "Id", "Othr", "Id") ?? "",
  );

const OPENING = ["OPBD", "PRCD"];
const CLOSING = ["CLBD"];

/** The balance between two pages of a statement: the closing one of the first, and the opening one of the next. */
const BETWEEN_PAGES = "ITBD";

const codeOf = (balance: XmlNode): string => textAt(balance, "Tp", "CdOrPrtry", "Cd") ?? "";

function balanceOf(statement: XmlNode, codes: readonly string[]): Sum | null {
  const node = allAt(statement, "Bal").find((entry) => codes.includes(codeOf(entry)));
  return node ? signedSum(node) : null;
}

/** Opening and closing balance; a page of a statement has the one between pages for what it lacks. */
function balancesOf(statement: XmlNode): { opening: number | null; closing: number | null } {
  const opening = balanceOf(statement, OPENING);
  const closing = balanceOf(statement, CLOSING);
  const between =
    statement.name === "Stmt"
      ? allAt(statement, "Bal").filter((node) => codeOf(node) === BETWEEN_PAGES)
      : [];
  const needed = [opening, closing].filter((sum) => sum === null).length;
  // As many as are lacking: any other number of them says nothing of where they stand.
  if (between.length !== needed) return { opening: minorOf(opening), closing: minorOf(closing) };
  const [first, last] = [between[0], between.at(-1)];
  return {
    opening: minorOf(opening ?? (first ? signedSum(first) : null)),
    closing: minorOf(closing ?? (last ? signedSum(last) : null)),
  };
}

const minorOf = (sum: Sum | null): number | null => sum?.minor ?? null;

/** Decimals of the currency that a statement's balances are in. */
const digitsIn = (statement: XmlNode): number =>
  digitsOf(at(at(statement, "Bal"), "Amt")?.attributes.Ccy ?? "");

/** Whether a statement comes from its opening balance by its entries to the closing one. */
export function checkOf(
  statement: XmlNode,
  entries: readonly XmlNode[],
): { proof: string | null; off: string | null } {
  const { opening, closing } = balancesOf(statement);
  const digits = digitsIn(statement);
  return balanceCheck(
    opening,
    entries.map((entry) => signedSum(entry).minor),
    closing,
    (sum) => decimalOf(sum, digits),
  );
}

/** What to say where the statements of one account do not follow on from one another. */
export function gapOf(statements: readonly XmlNode[]): string | null {
  const [first] = statements;
  const digits = first ? digitsIn(first) : 2;
  const own = statements.map((statement) => ({
    account: accountAt(statement),
    ...balancesOf(statement),
  }));
  return statementGap(own, (sum) => decimalOf(sum, digits));
}
