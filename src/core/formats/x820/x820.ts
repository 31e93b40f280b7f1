import { fail, ok, type Result } from "@/core/result";

import { type AgreedRow, agreedTable } from "../agreedTable";
import type { Table } from "../csv/table";
import { dayIn, documentsIn, doubtOfDocument, type Segment, segmentsOf } from "./segments";

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

/** What adjustments change of the documents that they name, themselves or by the reference behind them; in cents. */
function adjustmentsIn(body: readonly Segment[]): Map<string, number> {
  const changes = new Map<string, number>();
  body.forEach(([name, amount = "", , of, own = ""], at) => {
    const number = of === "IV" ? own : referredIn(body[at + 1] ?? []);
    if (name === "ADX" && number !== "")
      changes.set(number, (changes.get(number) ?? 0) + cents(amount));
  });
  return changes;
}

const referredIn = ([name, kind, number = ""]: Segment): string =>
  name === "REF" && kind === "IV" ? number : "";

/** The documents of one payment as rows; `off` where they do not come to it. */
function paymentOf(body: readonly Segment[]): {
  rows: Omit<AgreedRow, "line">[];
  off: string | null;
} {
  const first = (name: string): Segment => body.find(([segment]) => segment === name) ?? [];
  const [bpr, trn] = [first("BPR"), first("TRN")];
  const total = bpr[2] ?? "";
  const documents = documentsIn(body);
  const paid = documents.reduce((sum, { amount }) => sum + cents(amount), 0);
  const adjusted = body.reduce(
    (sum, [name, amount]) => (name === "ADX" ? sum + cents(amount ?? "") : sum),
    0,
  );
  const shared = {
    trace: trn[2] ?? "",
    paidOn: dayIn(bpr[16]) || dayIn(first("DTM")[2]),
    payerName: body.find(([name, role]) => name === "N1" && role === "PR")?.[2] ?? "",
    total,
    currency: first("CUR")[2] ?? "",
  };
  const isChanged = paid !== cents(total) && paid + adjusted === cents(total);
  const named = isChanged ? adjustmentsIn(body) : new Map<string, number>();
  return {
    rows: documents.map((document) => {
      const change = named.get(document.number) ?? 0;
      named.delete(document.number);
      const amount =
        change === 0 ? document.amount : ((cents(document.amount) + change) / 100).toFixed(2);
      return { fields: { ...shared, ...document, amount }, doubt: doubtOfDocument(document) };
    }),
    // Adjustments change what is paid, or only say why a document was not paid whole.
    off: [paid, paid + adjusted].includes(cents(total))
      ? null
      : `the documents come to ${((paid + adjusted) / 100).toFixed(2)}, and the payment is ${total || "0"}`,
  };
}

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
