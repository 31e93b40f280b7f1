import { fail, ok, type Result } from "@/core/result";

import { agreedTable } from "../agreedTable";
import type { Table } from "../csv/table";
import { dayIn, documentsIn, type Segment, segmentsOf } from "./segments";

export const is820 = (text: string): boolean =>
  /^\s*(?:ISA.{103}|ST.820)/s.test(text.slice(0, 200)) && /ST.820/.test(text.slice(0, 4000));

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

/** The documents of one payment as rows; `off` where they do not come to it. */
function paymentOf(body: readonly Segment[]): {
  rows: Record<string, string>[];
  off: string | null;
} {
  const first = (name: string): Segment => body.find(([segment]) => segment === name) ?? [];
  const [bpr, trn] = [first("BPR"), first("TRN")];
  const total = bpr[2] ?? "";
  const documents = documentsIn(body);
  const adjustments = body.flatMap(([name, amount = ""]) =>
    name === "ADX" ? [cents(amount)] : [],
  );
  const sums = [...adjustments, ...documents.map(({ amount }) => cents(amount))];
  const paid = sums.reduce((sum, part) => sum + part, 0);
  const shared = {
    trace: trn[2] ?? "",
    paidOn: dayIn(bpr[16]) || dayIn(first("DTM")[2]),
    payerName: body.find(([name, role]) => name === "N1" && role === "PR")?.[2] ?? "",
    total,
    currency: first("CUR")[2] ?? "",
  };
  return {
    rows: documents.map((document) => ({ ...shared, ...document })),
    off:
      paid === cents(total)
        ? null
        : `the documents come to ${(paid / 100).toFixed(2)}, and the payment is ${total || "0"}`,
  };
}

/**
 * Payment orders with remittance advice (ASC X12 820): each paid document as a row, with the payment's
 * sum, day, trace and payer. The counts of segments must be right, and what was paid on documents
 * with adjustments (ADX) must be the payment.
 */
export function table820(text: string): Result<Table, "x820.count" | "x820.cut" | "file.no_rows"> {
  const segments = segmentsOf(text);
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
          rows.map((fields, at) => ({ line: at + 1, fields })),
          { off },
        ),
      );
}
