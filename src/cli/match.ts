import { stringify } from "csv-stringify/sync";
import { writeFileSync } from "node:fs";

import { harmless } from "@/core/formats";
import { type Proposal, reasonInWords } from "@/core/matching";
import { type Currency, toDecimal } from "@/core/money";
import { type Matched, matchFiles } from "@/server/match/matchFiles";

import { type Args, EXIT, type Outcome, outcomeOf, wrongCall } from "./outcome";

const DECISION = { sure: "apply", check: "review", none: "none" } as const;

/** `dozo match`: files in, proposals out; or the proposals of a book, whose sure ones are posted if told to. */
export async function match(args: Args): Promise<Outcome> {
  return typeof args.values.book === "string"
    ? (await import("./matchBook")).matchBook(args.values.book, args.values["post-sure"] === true)
    : fromFiles(args);
}

async function fromFiles({ values }: Args): Promise<Outcome> {
  const { customers, invoices, payments, history, out } = values;
  if (
    typeof customers !== "string" ||
    typeof invoices !== "string" ||
    typeof payments !== "string" ||
    typeof out !== "string"
  )
    return wrongCall("Say --customers, --invoices, --payments and --out, or --book.");
  return outcomeOf(
    await matchFiles({
      customers,
      invoices,
      payments,
      history: typeof history === "string" ? history : null,
    }),
    (done) => {
      writeFileSync(out, proposalsCsv(done));
      const count = (decision: Proposal["decision"]): number =>
        done.proposals.filter((proposal) => proposal.proposal.decision === decision).length;
      const counts = {
        payments: done.proposals.length,
        apply: count("sure"),
        review: count("check"),
        none: count("none"),
        refused: done.refused.length,
      };
      return {
        code: done.refused.length > 0 ? EXIT.wrong : EXIT.done,
        messages: [
          ...done.refused,
          `${counts.payments} payments: ${counts.apply} apply, ${counts.review} review, ${counts.none} none; written to ${out}`,
        ],
        data: counts,
      };
    },
  );
}

function rowsOf(
  paymentId: string,
  proposal: Proposal,
  currency: Currency,
  customerIds: ReadonlyMap<number, string>,
): string[][] {
  const best = proposal.readings[0];
  const decision = DECISION[proposal.decision];
  if (proposal.decision === "none" || !best) return [[paymentId, "", "", "", "none", "0", "", ""]];
  const reason = best.reasons.map((reason) => reasonInWords(reason, currency)).join("; ");
  const customer = best.customerId === null ? "" : (customerIds.get(best.customerId) ?? "");
  const tail = [decision, best.confidence.toFixed(4), reason, customer];
  if (best.lines.length === 0) return [[paymentId, "", "", "", ...tail]];
  return best.lines.map((line) => [
    paymentId,
    line.number,
    toDecimal(line.amount, currency),
    toDecimal(line.discount, currency),
    ...tail,
  ]);
}

/** The proposals as the file that scripts rely on; nothing in it is run by a spreadsheet. */
function proposalsCsv({ proposals, customerIds }: Matched): string {
  const rows = proposals.flatMap(({ paymentId, proposal, currency }) =>
    rowsOf(paymentId, proposal, currency, customerIds),
  );
  return stringify([COLUMNS, ...rows.map((row) => row.map(harmless))], {
    record_delimiter: "windows",
  });
}

const COLUMNS = [
  "payment_id",
  "invoice_number",
  "amount",
  "discount",
  "decision",
  "confidence",
  "reason",
  "customer_id",
];
