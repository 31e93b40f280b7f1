import { agreedTable, type AgreedRow, decimalOf } from "../agreedTable";
import type { Table } from "../csv/table";
import { documentsIn, doubtOfDocument, segmentsOf } from "../x820/segments";

/** A record of an ACH file and the line on which it stands. */
type NachaLine = { readonly record: string; readonly line: number };

/** Places of a record as the standard counts them: from 1, both ends in. */
const cut = (record: string, from: number, to: number): string => record.slice(from - 1, to);

type Entry = {
  readonly record: string;
  readonly line: number;
  readonly company: string;
  readonly on: string;
  parts: string[];
};

/**
 * What credits of an ACH file say that they pay (CCD+, CTX; addenda 05, places 4 to 83, joined without
 * trimming): the documents of X12 820 segments, else the words as they stand. Sender: the company of
 * the batch; trace: of the entry. Account numbers are not read.
 */
export function remittanceTable(
  records: readonly NachaLine[],
  day: (yymmdd: string) => string,
): Table | null {
  const entries: Entry[] = [];
  let [company, on] = ["", ""];
  for (const { record, line } of records) {
    if (record[0] === "5") {
      company = cut(record, 5, 20).trim();
      on = day(cut(record, 70, 75).trim());
    }
    if (record[0] === "6") entries.push({ record, line, company, on, parts: [] });
    if (record[0] === "7" && cut(record, 2, 3) === "05")
      entries.at(-1)?.parts.push(cut(record, 4, 83));
  }
  const rows = entries
    .filter(({ record, parts }) => parts.length > 0 && /[1-4]/.test(record[2] ?? ""))
    .flatMap(rowsOf);
  const off = entries.map(offOf).find((words) => words !== null) ?? null;
  return rows.length === 0 ? null : agreedTable("remittance", rows, { off });
}

/** What does not add up of a credit's documents; null where they come to it, or none is named. */
function offOf({ record, line, parts }: Entry): string | null {
  const documents = documentsIn(segmentsOf(parts.join("")));
  const paid = documents.reduce(
    (sum, { amount }) => sum + Math.round(Number(amount || "0") * 100),
    0,
  );
  const cents = Number(cut(record, 30, 39));
  return documents.length === 0 || paid === cents
    ? null
    : `the documents of the payment on line ${line} come to ${decimalOf(paid, 2)}, and it is ${decimalOf(cents, 2)}`;
}

function rowsOf({ record, line, company, on, parts }: Entry): AgreedRow[] {
  const cents = Number(cut(record, 30, 39));
  const total = `${Math.floor(cents / 100)}.${String(cents % 100).padStart(2, "0")}`;
  const shared = {
    trace: cut(record, 80, 94).trim(),
    paidOn: on,
    payerName: company,
    total,
    currency: "USD",
  };
  const text = parts.join("");
  const documents = documentsIn(segmentsOf(text));
  const words = text
    .replace(/\s+/g, " ")
    .replace(/[\\~]\s*$/, "")
    .trim();
  const found =
    documents.length > 0
      ? documents
      : [{ number: words.slice(0, 140), amount: total, discount: "", qualifier: "" }];
  return found.map((document) => ({
    line,
    fields: { ...shared, ...document },
    doubt: doubtOfDocument(document),
  }));
}
