import { fail, ok, type Result } from "@/core/result";

import { agreedTable, endOfAccount, spanOf } from "../agreedTable";
import type { Table } from "../csv/table";
import { plainText } from "../xml/plainText";
import { dayOf, PENDING, rowsOf, type Transaction } from "./transactions";

export const isOfx = (text: string): boolean => /<OFX>/i.test(text.slice(0, 4000));

type Token = {
  readonly tag: string;
  readonly end: boolean;
  readonly text: string;
  readonly line: number;
};

/** Tags and what stands behind each, in one pass; elements of OFX 1 have no end. */
function* tokens(text: string): Generator<Token> {
  let line = 1;
  let from = text.search(/<OFX>/i);
  for (let at = text.indexOf("\n"); at >= 0 && at < from; at = text.indexOf("\n", at + 1))
    line += 1;
  while (from >= 0) {
    const close = text.indexOf(">", from);
    if (close < 0) return;
    const next = text.indexOf("<", close);
    const behind = text.slice(close + 1, next < 0 ? undefined : next);
    const name = text.slice(from + 1, close).trim();
    yield {
      tag: name.replace("/", "").toUpperCase(),
      end: name.startsWith("/"),
      text: unescaped(behind.trim()),
      line,
    };
    for (let at = behind.indexOf("\n"); at >= 0; at = behind.indexOf("\n", at + 1)) line += 1;
    from = next;
  }
}

const unescaped = (text: string): string =>
  text
    .replace(/&lt;/g, "<")
    .replace(/&gt;/g, ">")
    .replace(/&quot;/g, '"')
    .replace(/&#39;|&apos;/g, "'")
    .replace(/&nbsp;/g, " ")
    .replace(/&amp;/g, "&");

/** Goes through the tags of a file: the currency, and each transaction from its begin to its end. */
class OfxReader {
  readonly rows: Transaction[] = [];
  whole = false;
  /** A transaction begins before another has ended: something of it was lost. */
  isNested = false;
  readonly days: string[] = [];
  private currency = "";
  private account = "";
  open: Record<string, string> | null = null;

  take(token: Token): void {
    const { tag, end, text } = token;
    if (tag === "OFX" && end) this.whole = true;
    // What was turned into the account's currency already: the other one is told for the eye.
    if (tag === "ORIGCURRENCY" && this.open) this.open.CURSYM ??= "";
    if (tag === "STMTTRN" || tag === PENDING) return this.transaction(token);
    if (end || text === "") return;
    if (this.open) this.open[tag] ??= text;
    else this.about(tag, text);
  }

  /** What is said of the account as a whole; within a transaction the same tags are of the other side. */
  private about(tag: string, text: string): void {
    if (tag === "CURDEF") this.currency = text;
    if (tag === "DTSTART" || tag === "DTEND") this.days.push(dayOf(text));
    if (tag === "ACCTID") this.account = endOfAccount(text);
  }

  private transaction({ tag, end, line }: Token): void {
    if (!end && this.open) this.isNested = true;
    if (end && this.open)
      this.rows.push({
        line,
        said: this.open,
        isPending: tag === PENDING,
        account: this.account,
        currency: this.currency,
      });
    this.open = end ? null : {};
  }
}

/**
 * The transactions of an OFX file, 1.x without ends of elements or 2.x as XML (OFX 2.2): each with its
 * FITID, which is its identity within its account, and its words from name and memo. Pending ones
 * stand beside them as such; a correction takes the place of what it corrects.
 */
export function ofxTable(text: string): Result<Table, "ofx.broken" | "file.no_rows"> {
  const reader = new OfxReader();
  for (const token of tokens(plainText(text))) reader.take(token);
  const { open, whole, isNested, days } = reader;
  if (open || !whole || isNested) return fail("ofx.broken", { count: reader.rows.length });
  const rows = rowsOf(reader.rows);
  return rows.length === 0
    ? fail("file.no_rows")
    : ok(agreedTable("bank", rows, { span: spanOf(days) }));
}
