import { fail, ok, type Result } from "@/core/result";

import { type AgreedRow, agreedTable } from "../agreedTable";
import type { Table } from "../csv/table";
import {
  dayIn,
  documentsIn,
  doubtOfDocument,
  type PaidDocument,
  type Segment,
  segmentsOf,
} from "./segments";

export const isX12 = (text: string): boolean =>
  /^\s*(?:ISA[^\w\s].{102}|ST.820)/s.test(text.slice(0, 200));

/** Transaction sets with the number of segments that each says to have. */
function setsOf(segments: readonly Segment[]): { body: Segment[]; said: number | null }[] {
  const sets: { body: Segment[]; said: number | null }[] = [];
  for (const segment of segments) {
    if (segment[0] === "ST") sets.push({ body: [segment], said: null });
    else {
      const here = sets.at(-1);
      if (!here || here.said !== null) continue;
      here.body.push(segment);
      if (segment[0] === "SE") here.said = Number(segment[1]);
    }
  }
  return sets;
}

const cents = (text: string): number => Math.round(Number(text || "0") * 100);

/** A document that an adjustment names, with its qualifier; empty where it names none. */
type Changed = { number: string; qualifier: string; change: number };

/** What adjustments change of the documents that they name, themselves or by the reference behind them; in cents. */
function adjustmentsIn(body: readonly Segment[]): Map<string, Changed> {
  const changes = new Map<string, Changed>();
  body.forEach(([name, amount = "", , of = "", own = ""], at) => {
    if (name !== "ADX") return;
    const [qualifier, number] = own === "" ? referredIn(body[at + 1] ?? []) : [of, own];
    const before = changes.get(number)?.change ?? 0;
    changes.set(number, { number, qualifier, change: before + cents(amount) });
  });
  return changes;
}

const referredIn = ([name, kind = "", number = ""]: Segment): [string, string] =>
  name === "REF" ? [kind, number] : ["", ""];

/** What all documents of a payment share: its trace, its day, its payer, its sum. */
function sharedIn(body: readonly Segment[]): Readonly<Record<string, string>> {
  const first = (name: string): Segment => body.find(([segment]) => segment === name) ?? [];
  const bpr = first("BPR");
  return {
    trace: first("TRN")[2] ?? "",
    paidOn: dayIn(bpr[16]) || dayIn(first("DTM")[2]),
    payerName: body.find(([name, role]) => name === "N1" && role === "PR")?.[2] ?? "",
    total: bpr[2] ?? "",
    currency: first("CUR")[2] ?? "",
  };
}

/** The documents of one payment as rows; `off` where they do not come to it. */
function paymentOf(body: readonly Segment[]): {
  rows: Omit<AgreedRow, "line">[];
  off: string | null;
} {
  const shared = sharedIn(body);
  const { total = "" } = shared;
  const documents = documentsIn(body);
  const paid = documents.reduce((sum, { amount }) => sum + cents(amount), 0);
  const adjusted = body.reduce(
    (sum, [name, amount]) => (name === "ADX" ? sum + cents(amount ?? "") : sum),
    0,
  );
  const isChanged = paid !== cents(total) && paid + adjusted === cents(total);
  const named = isChanged ? adjustmentsIn(body) : new Map<string, Changed>();
  const unnamed = named.get("")?.change ?? 0;
  // Adjustments change what is paid, or only say why a document was not paid whole.
  const isPaid = [paid, paid + adjusted].includes(cents(total));
  return {
    rows: rowsOf(documents, named, shared),
    off: isPaid
      ? unnamedWords(unnamed)
      : `the documents come to ${inText(paid + adjusted)}, and the payment is ${total || "0"}`,
  };
}

/** Documents with what adjustments change of them, and what is settled with them beside the list. */
function rowsOf(
  documents: readonly PaidDocument[],
  named: ReadonlyMap<string, Changed>,
  shared: Readonly<Record<string, string>>,
): Omit<AgreedRow, "line">[] {
  const listed = new Set(documents.map(({ number }) => number));
  const others = [...named.values()].filter(({ number }) => number !== "" && !listed.has(number));
  const done = new Set<string>();
  return [
    ...documents.map((document) => {
      const change = done.has(document.number) ? 0 : (named.get(document.number)?.change ?? 0);
      done.add(document.number);
      const amount = change === 0 ? document.amount : inText(cents(document.amount) + change);
      return { fields: { ...shared, ...document, amount }, doubt: doubtOfDocument(document) };
    }),
    ...others.map((other) => rowOf(shared, other)),
  ];
}

/** What is settled with a payment and is no document of its list: a credit memo that an adjustment names. */
const rowOf = (
  shared: Readonly<Record<string, string>>,
  { number, qualifier, change }: Changed,
): Omit<AgreedRow, "line"> => ({
  fields: { ...shared, number, amount: inText(change), discount: "" },
  doubt: doubtOfDocument({ qualifier }),
});

const unnamedWords = (change: number): string | null =>
  change === 0 ? null : `${inText(change)} of the payment is an adjustment that names no document`;

const inText = (sum: number): string => (sum / 100).toFixed(2);

/**
 * Payment orders with remittance advice (ASC X12 820): each paid document as a row, with the payment's
 * sum, day, trace and payer. The counts of segments must be right, and what was paid on documents,
 * with adjustments (ADX) or before them, must be the payment.
 */
export function table820(
  text: string,
): Result<Table, "x820.count" | "x820.cut" | "x820.other" | "file.no_rows"> {
  const segments = segmentsOf(text);
  const other = segments.find(([name, set]) => name === "ST" && set !== "820");
  if (other) return fail("x820.other", { set: (other[1] ?? "").slice(0, 10) });
  if (segments[0]?.[0] === "ISA" && segments.at(-1)?.[0] !== "IEA") return fail("x820.cut");
  const sets = setsOf(segments);
  if (sets.some(({ said }) => said === null)) return fail("x820.cut");
  const wrong = sets.find(({ said, body }) => said !== body.length);
  if (wrong) return fail("x820.count", { said: wrong.said, found: wrong.body.length });
  const payments = sets.map(({ body }) => paymentOf(body));
  const rows = payments.flatMap((payment) => payment.rows);
  const off = payments.find((payment) => payment.off !== null)?.off ?? null;
  return rows.length === 0
    ? fail("file.no_rows")
    : ok(
        agreedTable(
          "remittance",
          rows.map((row, at) => ({ line: at + 1, ...row })),
          { off },
        ),
      );
}
