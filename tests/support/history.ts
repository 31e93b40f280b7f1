import fc from "fast-check";

import { addDays, day } from "@/core/calendar";

import { CUSTOMERS, INVOICES, TestBook } from "./book";
import { returnFile } from "./nacha";

/**
 * Random histories over a small book: whatever arrives and whatever the clerk
 * does, in any order, every proof holds after every step; and undoing what was
 * done brings the accounts back to what the files alone make.
 */
export type Step = {
  do:
    | "charge"
    | "payout"
    | "bank"
    | "return"
    | "refund"
    | "dispute"
    | "place"
    | "on_account"
    | "sure"
    | "aside"
    | "use"
    | "lost"
    | "undo"
    | "hand"
    | "deposit"
    | "bounce"
    | "give_up"
    | "return_file"
    | "orphan"
    | "together"
    | "accrue"
    | "bill"
    | "refund_bank"
    | "reserve"
    | "adjustment"
    | "retry"
    | "answer"
    | "won"
    | "lump"
    | "invoice"
    | "abroad"
    | "abroad_payout"
    | "rate"
    | "revalue"
    | "income"
    | "elsewhere"
    | "write_off"
    | "recover"
    | "allowance"
    | "late_fee"
    | "item_out"
    | "write"
    | "credit"
    | "set_off"
    | "schedule"
    | "merge";
  pick: number;
  share: number;
};
/** One step of a history: what is done, and numbers that say with what. */
export const step = fc.record({
  do: fc.constantFrom<Step["do"]>(
    "charge",
    "charge",
    "payout",
    "bank",
    "return",
    "refund",
    "dispute",
    "place",
    "place",
    "on_account",
    "sure",
    "aside",
    "use",
    "lost",
    "undo",
    "hand",
    "hand",
    "deposit",
    "bounce",
    "give_up",
    "return_file",
    "orphan",
    "together",
    "accrue",
    "bill",
    "refund_bank",
    "reserve",
    "adjustment",
    "retry",
    "answer",
    "won",
    "lump",
    "invoice",
    "invoice",
    "abroad",
    "abroad",
    "abroad_payout",
    "rate",
    "revalue",
    "income",
    "elsewhere",
    "write_off",
    "recover",
    "allowance",
    "late_fee",
    "item_out",
    "write",
    "write",
    "credit",
    "set_off",
    "schedule",
    "merge",
  ),
  pick: fc.nat(1000),
  share: fc.integer({ min: 1, max: 100 }),
});

const UNDOABLE =
  "'place', 'set_aside', 'tie', 'elsewhere', 'bank_receipt', 'hand_receipt', 'deposit', 'deposit_banked', 'bounce', 'dispute_lost', 'accrue', 'fee_bill', 'refund', 'retry', 'answer', 'revalue', 'write_off', 'allowance', 'late_fee', 'set_off', 'merge', 'customer'";

type StepFacts = {
  kindWord: string;
  amount: number;
  fee: number;
  related: string;
  payout: string;
  account?: string;
};

/** What a clerk does with invoices that are written here: writes and approves, credits, sets off. */
function withDocuments(book: TestBook, { do: kind, pick, share }: Step): void {
  const rows = <T>(sql: string): T[] => book.db.all<T>(sql);
  const any = <T>(list: readonly T[]): T | undefined => list[pick % Math.max(1, list.length)];
  if (kind === "write") {
    const customer = any(rows<{ id: number }>("SELECT id FROM customer ORDER BY id"));
    const written = book.do("writeDraft", {
      draft: {
        customerId: customer?.id ?? 0,
        issuedOn: "2026-11-20",
        currency: share > 80 ? "EUR" : "USD",
        // Each fourth falls due in parts.
        terms: share % 4 === 0 ? "33.3% now; 33.3% 2/10 n/30; rest n/60" : null,
        discountPercent: share % 3 === 0 ? String(share / 2) : null,
        lines: [
          { description: "Clay", quantity: String(share), rate: String(pick / 7).slice(0, 7) },
          { description: "Glaze", quantity: "1.5", rate: "12.345" },
        ],
      } as never,
    });
    if (written.ok && share % 5 !== 0) book.do("approveDocuments", { ids: [written.value.id] });
    return;
  }
  const invoice = any(
    rows<{ id: number }>(
      "SELECT open_item_id AS id FROM document WHERE kind = 'invoice' AND stage = 'approved' ORDER BY id",
    ),
  );
  if (kind === "credit" && invoice) {
    const taken =
      share > 50 ? { what: "whole" } : { what: "sum", sum: 1 + pick, line: 1 + (share % 2) };
    book.do("writeCreditNote", { itemId: invoice.id, taken: taken as never, reason: "broken" });
  }
  const open = any(
    rows<{ id: number; customer: number; balance: number }>(
      "SELECT id, customer_id AS customer, balance FROM open_item WHERE kind = 'credit_note' AND balance < 0 ORDER BY id",
    ),
  );
  const item =
    open &&
    any(
      rows<{ id: number }>(
        `SELECT id FROM open_item WHERE customer_id = ${open.customer} AND balance > 0 ORDER BY id`,
      ),
    );
  if (kind === "set_off" && open && item)
    book.do("setOff", {
      creditItemId: open.id,
      itemId: item.id,
      amount: Math.max(1, Math.floor((-open.balance * share) / 100)),
    });
}

const customerIds = (book: TestBook): number[] =>
  book.db
    .all<{ id: number }>("SELECT id FROM customer WHERE merged_into IS NULL ORDER BY id")
    .map(({ id }) => id);

/** Schedules begin, write what is due, pause, resume and end. */
function withSchedules(book: TestBook, { pick, share }: Step): void {
  const customers = customerIds(book);
  if (share > 50)
    book.do("setSchedule", {
      name: "Room",
      plan: {
        startsOn: "2026-11-05",
        countedFrom: "2026-11-01",
        everyCount: 1 + (pick % 3),
        everyUnit: share % 2 === 0 ? "week" : "day",
        times: 1 + (pick % 4),
        makes: share % 3 === 0 ? "approved" : "draft",
      },
      billed: {
        customerId: customers[pick % Math.max(1, customers.length)] ?? 0,
        lines: [{ description: "Room {from}", quantity: "1", rate: String(1 + pick) }],
      },
    });
  const [schedule] = book.db.all<{ id: number }>(
    "SELECT id FROM schedule WHERE state <> 'ended' ORDER BY id DESC LIMIT 1",
  );
  if (schedule && share < 30)
    book.do("moveSchedule", {
      id: schedule.id,
      to: (["pause", "resume", "end"] as const)[pick % 3] ?? "pause",
      makeUp: share % 2 === 0,
    });
  book.do("runSchedules", {});
}

/** Two customers become one; undo makes two of them again. */
function mergedCustomers(book: TestBook, { pick, share }: Step): void {
  const customers = customerIds(book);
  const [keep, gone] = [customers[pick % customers.length], customers[share % customers.length]];
  if (customers.length > 2 && keep !== undefined && gone !== undefined)
    book.do("mergeCustomers", { keep, gone });
}

export class History {
  private count = 0;
  constructor(readonly book: TestBook) {}

  step({ do: kind, pick, share }: Step): void {
    const { book } = this;
    const any = <T>(list: readonly T[]): T | undefined => list[pick % Math.max(1, list.length)];
    const money = (amount: number): string => (amount / 100).toFixed(2);
    const charge = any(
      book.db.all<{ id: string; amount: number; account: string }>(
        "SELECT i.external_id AS id, i.amount, a.code AS account FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id WHERE i.kind = 'charge' ORDER BY i.id",
      ),
    );
    const waiting = any(
      book.db.all<{ id: number; unidentified: number }>(
        "SELECT id, unidentified FROM receipt WHERE state = 'to_match' ORDER BY id",
      ),
    );
    const id = ++this.count;
    const on = addDays(day("2026-11-02"), id % 20);
    const rows = ({ kindWord, amount, fee, related, payout, account = "card" }: StepFacts): void =>
      void book.mustTake(
        "processor",
        `Id,Type,Date,Gross,Fee,Payer,Memo,Payout id,Original id\nx_${id},${kindWord},${on},${money(amount)},${money(fee)},Alder Lane Pottery School,2040${pick % 6},${payout},${related}\n`,
        { account },
      );
    switch (kind) {
      case "charge":
        return rows({
          kindWord: "Charge",
          amount: 500 + pick * 10,
          fee: share,
          related: "",
          payout: pick % 3 === 0 ? "" : `po_${pick % 4}`,
        });
      case "return":
        return (
          charge &&
          rows({
            kindWord: "ACH return",
            amount: -Math.max(1, Math.floor((charge.amount * (share > 50 ? 100 : share)) / 100)),
            fee: 400,
            related: charge.id,
            payout: "",
            account: charge.account,
          })
        );
      case "refund":
        return (
          charge &&
          rows({
            kindWord: "Refund",
            amount: -Math.max(1, Math.floor((charge.amount * share) / 100)),
            fee: 0,
            related: share === 1 ? "unknown" : charge.id,
            payout: `po_${pick % 4}`,
            account: charge.account,
          })
        );
      case "dispute":
        return (
          charge &&
          rows({
            kindWord: "Dispute",
            amount: -charge.amount,
            fee: 1500,
            related: charge.id,
            payout: `po_${pick % 4}`,
            account: charge.account,
          })
        );
      case "payout":
        return void book.mustTake(
          "processor",
          `Id,Type,Date,Gross,From,To\np_${id},Payout,${on},${money(pick)},${addDays(on, -2)},${on}\n`,
          { mapping: { signs: "as_written" } },
        );
      case "bank": {
        const payout = any(
          book.db.all<{ net: number; paidOn: string }>(
            "SELECT net, paid_on AS paidOn FROM payout WHERE state = 'open' AND net <> 0 ORDER BY id",
          ),
        );
        const [sum, when] = payout && share > 20 ? [payout.net, payout.paidOn] : [pick * 3 + 1, on];
        return void book.mustTake(
          "bank",
          `Date,Description,Amount\n${when},${share % 2 ? "ACH CREDIT HERON POINT" : "SOMETHING"} ${id},${money(sum)}\n`,
        );
      }
      case "place": {
        const item = any(
          book.db.all<{ id: number; balance: number; customerId: number }>(
            "SELECT id, balance, customer_id AS customerId FROM open_item WHERE balance > 0 ORDER BY id",
          ),
        );
        if (!waiting || !item) return;
        const amount = Math.max(
          1,
          Math.min(waiting.unidentified, Math.floor((item.balance * share) / 100)),
        );
        const rest = item.balance - amount;
        return void book.do("applyReceipt", {
          receiptId: waiting.id,
          customerId: item.customerId,
          lines: [
            {
              itemId: item.id,
              amount,
              discount: share % 3 === 0 ? Math.min(rest, 200) : 0,
              smallDifference: share % 3 === 1 && rest <= 500 ? rest : 0,
            },
          ],
          surcharge: share % 4 === 0 ? Math.min(50, waiting.unidentified - amount) : 0,
        });
      }
      case "on_account":
        return (
          waiting &&
          void book.do("applyReceipt", {
            receiptId: waiting.id,
            customerId: 1 + (pick % 4),
            lines: [],
          })
        );
      case "aside":
        return waiting && void book.do("setAside", { receiptId: waiting.id, reason: "not ours" });
      case "income":
        return (
          waiting &&
          void book.do("setAside", { receiptId: waiting.id, as: "income", reason: "kiln hire" })
        );
      case "elsewhere": {
        book.mustTake(
          "bank",
          `Date,Description,Amount\n${on},RENT ${id},${money(-(1000 + pick))}\n`,
        );
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE description LIKE ?",
          `RENT ${id}%`,
        );
        return void book.do("explainLine", { lineId: line?.id ?? 0, as: "elsewhere" });
      }
      case "sure":
        return void book.do("postSure", { receiptIds: null });
      case "use": {
        const credit = any(
          book.db.all<{ id: number; onAccount: number }>(
            "SELECT id, on_account AS onAccount FROM receipt WHERE on_account > 0 ORDER BY id",
          ),
        );
        const item = any(
          book.db.all<{ id: number; balance: number }>(
            "SELECT id, balance FROM open_item WHERE balance > 0 ORDER BY id DESC",
          ),
        );
        return (
          credit &&
          item &&
          void book.do("useCredit", {
            receiptId: credit.id,
            customerId: null,
            lines: [{ itemId: item.id, amount: Math.min(credit.onAccount, item.balance) }],
          })
        );
      }
      case "lost": {
        const dispute = any(
          book.db.all<{ id: number }>(
            "SELECT id FROM processor_item WHERE kind = 'dispute' AND settled_state = 'opened' ORDER BY id",
          ),
        );
        return dispute && void book.do("disputeLost", { processorItemId: dispute.id });
      }
      case "hand":
        return void book.do("recordReceipt", {
          method: pick % 2 ? "check" : "cash",
          number: String(id),
          paidOn: on,
          amount: 500 + pick * 10,
          payerName: "Alder Lane Pottery School",
          reference: `2040${pick % 6}`,
        });
      case "deposit": {
        const lying = book.db
          .all<{ id: number }>("SELECT id FROM receipt WHERE hand_state = 'on_hand' ORDER BY id")
          .slice(0, 1 + (share % 3));
        if (lying.length > 0)
          book.do("makeDeposit", {
            receiptIds: lying.map((entry) => entry.id),
            bank: "operating",
            onDay: on,
          });
        const under = any(
          book.db.all<{ sum: number; onDay: string }>(
            "SELECT sum, on_day AS onDay FROM deposit WHERE state = 'made' ORDER BY id",
          ),
        );
        return under && share % 2 === 0
          ? void book.mustTake(
              "bank",
              `Date,Description,Amount\n${under.onDay},DEPOSIT ${id},${money(under.sum)}\n`,
            )
          : undefined;
      }
      case "bounce": {
        const banked = any(
          book.db.all<{ id: number; amount: number }>(
            "SELECT id, amount FROM receipt WHERE hand_state = 'banked' AND state <> 'returned' ORDER BY id",
          ),
        );
        if (!banked) return;
        book.mustTake(
          "bank",
          `Date,Description,Amount\n2026-11-24,RETURNED ${id},${money(-banked.amount)}\n`,
        );
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE state = 'open' AND amount = ?",
          -banked.amount,
        );
        return void book.do("bounceReceipt", { receiptId: banked.id, lineId: line?.id ?? 0 });
      }
      case "give_up": {
        const item = any(
          book.db.all<{ id: number; balance: number; customerId: number }>(
            "SELECT id, balance, customer_id AS customerId FROM open_item WHERE balance > 1000 ORDER BY id",
          ),
        );
        if (!waiting || !item || waiting.unidentified >= item.balance) return;
        const asked = book.as("Mara").do("askApproval", {
          receiptId: waiting.id,
          customerId: item.customerId,
          lines: [
            {
              itemId: item.id,
              amount: waiting.unidentified,
              smallDifference: item.balance - waiting.unidentified,
            },
          ],
          why: "given up",
        });
        return asked.ok && share > 30
          ? void book
              .as("Theo")
              .do("decideWriteOff", { approvalId: asked.value.approvalId, approve: share > 50 })
          : undefined;
      }
      case "undo": {
        const act = any(
          book.db.all<{ id: number }>(
            `SELECT id FROM act WHERE undone_by IS NULL AND kind IN (${UNDOABLE}) ORDER BY id DESC`,
          ),
        );
        return act && void book.do("undo", { actId: act.id });
      }
      case "return_file":
        return (
          charge &&
          void book.take(
            "returns",
            returnFile([
              {
                code: ["R01", "R02", "R10"][pick % 3] ?? "R01",
                originalTrace: charge.id,
                trace: String(id),
                cents: Math.max(1, Math.floor((charge.amount * share) / 100)),
                name: "Alder Lane",
                account: "1234567",
              },
            ]),
          )
        );
      case "orphan": {
        // What goes back comes before its charge.
        rows({
          kindWord: pick % 2 ? "Refund" : "ACH return",
          amount: -(500 + share),
          fee: 0,
          related: `late_${id}`,
          payout: "",
        });
        return share > 50
          ? void book.mustTake(
              "processor",
              `Id,Type,Date,Gross,Fee,Payer,Memo\nlate_${id},Charge,${on},${money(600 + pick)},0.30,Heron Point Studio,\n`,
            )
          : undefined;
      }
      case "together": {
        const two = book.db.all<{ id: number; net: number; paidOn: string }>(
          "SELECT id, net, paid_on AS paidOn FROM payout WHERE state = 'open' AND net <> 0 ORDER BY id LIMIT 2",
        );
        if (two.length < 2) return;
        book.mustTake(
          "bank",
          `Date,Description,Amount\n${two[0]!.paidOn},PAYOUTS ${id},${money(two[0]!.net + two[1]!.net || 1)}\n`,
        );
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE description LIKE ?",
          `PAYOUTS ${id}%`,
        );
        return void book.do("tiePayouts", {
          payoutIds: two.map((entry) => entry.id),
          lineId: line?.id ?? 0,
        });
      }
      case "lump": {
        const loose = book.db
          .all<{ id: number; amount: number }>(
            "SELECT i.id, i.amount FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id WHERE i.payout_id IS NULL AND i.withdrawn = 0 AND a.code = 'card' ORDER BY i.id",
          )
          .slice(0, 1 + (share % 5));
        const sum = loose.reduce((so, entry) => so + entry.amount, 0);
        if (sum === 0) return;
        book.mustTake("bank", `Date,Description,Amount\n${on},LUMP ${id},${money(sum)}\n`);
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE description LIKE ?",
          `LUMP ${id}%`,
        );
        return void book.do("splitBulkPayout", {
          lineId: line?.id ?? 0,
          itemIds: loose.map((entry) => entry.id),
        });
      }
      case "accrue": {
        book.mustTake(
          "processor",
          `Id,Type,Date,Gross,Fee,Payer,Memo\nb_${id},Charge,${on},${money(1000 + pick)},0.00,Heron Point Studio,\n`,
          { account: "billed" },
        );
        return void book.do("accrueFees", { account: "billed", month: "2026-11" });
      }
      case "bill": {
        const open = book.db
          .all<{ id: number; sum: number }>(
            "SELECT id, sum FROM fee_accrual WHERE state = 'accrued' ORDER BY id",
          )
          .slice(0, 1 + (share % 3));
        if (open.length === 0) return;
        book.mustTake(
          "bank",
          `Date,Description,Amount\n2026-11-24,FEES ${id},${money(-open.reduce((so, entry) => so + entry.sum, 0) - share)}\n`,
        );
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE description LIKE ?",
          `FEES ${id}%`,
        );
        return void book.do("billFees", {
          lineId: line?.id ?? 0,
          accrualIds: open.map((entry) => entry.id),
        });
      }
      case "refund_bank": {
        const credit = any(
          book.db.all<{ id: number; onAccount: number }>(
            "SELECT id, on_account AS onAccount FROM receipt WHERE on_account > 0 ORDER BY id",
          ),
        );
        if (!credit) return;
        book.mustTake(
          "bank",
          `Date,Description,Amount\n2026-11-24,REFUND ${id},${money(-Math.max(1, Math.floor((credit.onAccount * share) / 100)))}\n`,
        );
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE description LIKE ?",
          `REFUND ${id}%`,
        );
        return void book.do("refundAtBank", { lineId: line?.id ?? 0, receiptId: credit.id });
      }
      case "invoice":
        return void book.mustTake(
          "invoices",
          `invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\n${share > 90 ? "CN" : "3"}${id},C${1 + (pick % 4)},${on},${addDays(on, 30)},USD,${share > 90 ? "-" : ""}${money(1000 + pick * 8)},${share > 90 ? "-" : ""}${money(1000 + pick * 8)},${share > 90 ? "-" : ""}${money(Math.floor((1000 + pick * 8) / 14))},2/10 n/30\n`,
        );
      case "reserve":
        return rows({
          kindWord: "Reserve",
          amount: (share > 50 ? -1 : 1) * (100 + pick),
          fee: 0,
          related: "",
          payout: `po_${pick % 4}`,
          account: share % 3 === 0 ? "abroad" : "card",
        });
      case "adjustment":
        return rows({
          kindWord: "Adjustment",
          amount: (share > 50 ? -1 : 1) * (100 + pick),
          fee: 0,
          related: "",
          payout: `po_${pick % 4}`,
          account: share % 3 === 0 ? "abroad" : "card",
        });
      case "abroad": {
        book.mustTake(
          "invoices",
          `invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\nE${id},C${1 + (pick % 4)},${on},${addDays(on, 30)},EUR,${money(1000 + pick * 8)},${money(1000 + pick * 8)},${money(Math.floor((1000 + pick * 8) / 14))},2/10 n/30\n`,
        );
        return rows({
          kindWord: "Charge",
          amount: share > 40 ? 1000 + pick * 8 : 700 + pick * 9,
          fee: share,
          related: "",
          payout: pick % 3 === 0 ? "" : `po_${pick % 4}`,
          account: "abroad",
        });
      }
      case "abroad_payout": {
        const payout = any(
          book.db.all<{ id: number; net: number; paidOn: string }>(
            "SELECT id, net, paid_on AS paidOn FROM payout WHERE state = 'open' AND currency = 'EUR' AND net <> 0 ORDER BY id",
          ),
        );
        if (!payout) return;
        book.mustTake(
          "bank",
          `Date,Description,Amount\n${payout.paidOn},ABROAD ${id},${money(Math.round(payout.net * (1.07 + share / 1500)) || 1)}\n`,
        );
        const line = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM bank_line WHERE description LIKE ?",
          `ABROAD ${id}%`,
        );
        return void book.do("tiePayout", { payoutId: payout.id, bankLineIds: [line?.id ?? 0] });
      }
      case "rate":
        return void book.must("setRates", {
          rates: [{ currency: "EUR", onDay: on, rate: (1.05 + pick / 10_000).toFixed(4) }],
        });
      case "revalue":
        return void book.do("revalue", { asOf: on });
      case "write_off": {
        const item = any(
          book.db.all<{ id: number; balance: number }>(
            "SELECT id, balance FROM open_item WHERE balance > 0 ORDER BY id",
          ),
        );
        const asked =
          item &&
          book.as("Mara").do("writeOff", {
            itemId: item.id,
            sum: Math.max(1, Math.floor((item.balance * share) / 100)),
            why: "gone out of business",
          });
        const waits = book.db.get<{ id: number }>(
          "SELECT max(id) AS id FROM write_off WHERE state = 'waiting'",
        );
        return asked?.ok && share > 20
          ? void book
              .as("Theo")
              .do("decideInvoiceWriteOff", { writeOffId: waits?.id ?? 0, approve: share > 40 })
          : undefined;
      }
      case "recover":
        return (
          waiting &&
          void book.do("applyReceipt", {
            receiptId: waiting.id,
            customerId: 1 + (pick % 4),
            lines: [],
            recovered: Math.max(1, Math.floor((waiting.unidentified * share) / 100)),
          })
        );
      case "allowance":
        return void book.do("bringAllowance", {});
      case "late_fee": {
        const late = book.db.all<{ id: number }>(
          "SELECT id FROM open_item WHERE kind = 'invoice' AND balance > 0 AND id % 3 = ? ORDER BY id",
          pick % 3,
        );
        return late.length > 0
          ? void book.do("chargeLateFees", { fees: late.map((entry) => ({ itemId: entry.id })) })
          : undefined;
      }
      case "write":
      case "credit":
      case "set_off":
        return withDocuments(book, { do: kind, pick, share });
      case "schedule":
        return withSchedules(book, { do: kind, pick, share });
      case "merge":
        return mergedCustomers(book, { do: kind, pick, share });
      case "item_out": {
        const item = any(
          book.db.all<{ id: number }>("SELECT id FROM open_item WHERE balance <> 0 ORDER BY id"),
        );
        return (
          item &&
          void book.do("leaveItemOut", {
            itemId: item.id,
            reason: share > 40 ? "in question" : null,
          })
        );
      }
      case "won": {
        const dispute = any(
          book.db.all<{ id: string; amount: number; account: string }>(
            "SELECT i.related_id AS id, i.amount, a.code AS account FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id WHERE i.kind = 'dispute' AND i.settled_state = 'opened' AND i.amount < 0 ORDER BY i.id",
          ),
        );
        return (
          dispute &&
          rows({
            kindWord: "Dispute won",
            amount: -dispute.amount,
            fee: share > 50 ? -1500 : 0,
            related: dispute.id,
            payout: `po_${pick % 4}`,
            account: dispute.account,
          })
        );
      }
      case "retry": {
        const back = any(
          book.db.all<{ id: number }>(
            "SELECT id FROM processor_item WHERE kind = 'ach_return' ORDER BY id",
          ),
        );
        return (
          back &&
          void book.do("retryDebit", {
            returnItemId: back.id,
            on: addDays(day("2026-11-24"), 1 + (share % 9)),
          })
        );
      }
      case "answer": {
        const dispute = any(
          book.db.all<{ id: number }>(
            "SELECT id FROM processor_item WHERE kind = 'dispute' AND settled_state = 'opened' ORDER BY id",
          ),
        );
        return (
          dispute &&
          void book.do("answerDispute", { processorItemId: dispute.id, why: "slip sent" })
        );
      }
      default:
        throw kind satisfies never;
    }
  }

  /** Undoes whatever can be undone, until nothing more can. */
  undoAll(): number {
    let undone = 0;
    for (let again = true; again;) {
      again = false;
      for (const { id } of this.book.db.all<{ id: number }>(
        `SELECT id FROM act WHERE undone_by IS NULL AND kind IN (${UNDOABLE}) ORDER BY id DESC`,
      ))
        if (this.book.do("undo", { actId: id }).ok) {
          again = true;
          undone += 1;
        }
    }
    return undone;
  }
}

/** A small book with everything switched on that changes what is posted. */
export const started = (): TestBook => {
  const book = TestBook.ready();
  book.mustTake("customers", CUSTOMERS);
  book.mustTake("invoices", INVOICES);
  book.must("changeSettings", {
    people: ["Mara", "Theo"],
    surchargePercent: "3",
    returnFee: 2500,
    taxOnDiscounts: true,
    taxOnBadDebts: true,
    // Events lie days apart here: what ends early is held elsewhere.
    feedDays: 60,
  });
  book.must("addProcessorAccount", {
    code: "billed",
    name: "billed account",
    delayDays: 1,
    descriptor: null,
    feeBilling: "monthly",
  });
  book.must("setRates", {
    rates: [
      { currency: "EUR", onDay: "2026-10-31", rate: "1.0834" },
      { currency: "EUR", onDay: "2026-11-07", rate: "1.0912" },
      { currency: "EUR", onDay: "2026-11-14", rate: "1.0750" },
      { currency: "EUR", onDay: "2026-11-21", rate: "1.1020" },
    ],
  });
  book.must("addProcessorAccount", {
    code: "abroad",
    name: "card account in EUR",
    delayDays: 2,
    descriptor: null,
    currency: "EUR",
  });
  book.must("agreeRate", {
    account: "billed",
    method: "card",
    from: "2026-01-01",
    percent: "2.9",
    fixed: 30,
  });
  book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [{ fromDays: 1, act: "letter" }],
    fee: { kind: "fixed", fixed: 700, percent: "0", grace: 0, least: 0, most: null },
  });
  return book;
};

/** Every account's balance in one currency, by role, as the journal has it; exchange differences have no document. */
export function inJournal(book: TestBook, currency: "USD" | "EUR"): Record<string, number> {
  return Object.fromEntries(
    book.db
      .all<{ role: string; sum: number }>(
        "SELECT a.role, sum(l.amount) AS sum FROM entry_line l JOIN account a ON a.id = l.account_id WHERE l.currency = ? AND a.role <> 'exchange' GROUP BY a.role HAVING sum(l.amount) <> 0 ORDER BY a.role",
        currency,
      )
      .map(({ role, sum }) => [role, sum]),
  );
}

/**
 * The same from the documents' own tables in plain SQL: nothing of it reads the
 * journal.
 */
export function fromDocuments(book: TestBook, currency: "USD" | "EUR"): Record<string, number> {
  const entry = (sql: string): number =>
    book.db.get<{ sum: number | null }>(`SELECT ${sql} AS sum`)?.sum ?? 0;
  const kind = (...kinds: string[]): string =>
    `i.kind IN (${kinds.map((name) => `'${name}'`).join(", ")}) AND i.withdrawn = 0 AND i.currency = '${currency}'`;
  const [item, receipt, open] = [
    `processor_item i WHERE i.currency = '${currency}'`,
    `receipt r WHERE r.currency = '${currency}'`,
    `open_item o WHERE o.currency = '${currency}'`,
  ];
  const given = `application p JOIN receipt r ON r.id = p.receipt_id WHERE p.ended_by IS NULL AND r.currency = '${currency}'`;
  const written = `write_off w JOIN open_item o ON o.id = w.open_item_id WHERE w.state = 'posted' AND o.currency = '${currency}'`;
  const allowance =
    "(SELECT sum(m.sum) FROM allowance_move m JOIN act a ON a.id = m.act_id WHERE a.undone_by IS NULL)";
  const accrued = "(SELECT sum(sum) FROM fee_accrual WHERE state = 'accrued')";
  // The bank, and what is billed by the month, are in the book's own currency.
  const own = currency === "USD" ? 1 : 0;
  const sums: Record<string, number> = {
    receivables: entry(`(SELECT sum(o.balance) FROM ${open})`),
    clearing: entry(
      `(SELECT sum(i.amount) FROM ${item} AND i.withdrawn = 0) - coalesce((SELECT sum(t.amount) FROM payout_tie t JOIN payout p ON p.id = t.payout_id WHERE t.ended_by IS NULL AND p.currency = '${currency}'), 0)`,
    ),
    unidentified: -entry(`(SELECT sum(r.unidentified) FROM ${receipt})`),
    credits: -entry(`(SELECT sum(r.on_account) FROM ${receipt})`),
    surcharges: -entry(`(SELECT sum(r.surcharge) FROM ${receipt})`),
    disputed: -entry(
      `(SELECT sum(i.amount) FROM processor_item i WHERE ${kind("dispute")} AND i.settled_state <> 'lost')`,
    ),
    on_hand: entry(
      `(SELECT sum(r.amount) FROM ${receipt} AND r.hand_state IN ('on_hand', 'deposited'))`,
    ),
    bank:
      own *
      entry(
        "(SELECT sum(opening_balance) FROM bank_account) + coalesce((SELECT sum(amount) FROM bank_line WHERE state <> 'open'), 0)",
      ),
    fees:
      -entry(
        `(SELECT sum(i.amount) FROM processor_item i WHERE ${kind("fee", "dispute_fee", "return_fee")})`,
      ) +
      own *
        (entry(accrued) - entry("(SELECT sum(amount) FROM bank_line WHERE state = 'fee_bill')")),
    fees_accrued: -own * entry(accrued),
    reserve: -entry(`(SELECT sum(i.amount) FROM processor_item i WHERE ${kind("reserve")})`),
    other:
      -entry(
        `(SELECT sum(i.amount) FROM processor_item i WHERE ${kind("adjustment")} AND i.reason IS NULL)`,
      ) - entry(`(SELECT sum(r.income) FROM ${receipt})`),
    parked:
      -entry(`(SELECT sum(r.parked) FROM ${receipt})`) -
      entry(`(SELECT sum(i.amount) FROM ${item} AND i.reason IS NOT NULL AND i.withdrawn = 0)`),
    discounts: entry(`(SELECT sum(p.discount - p.discount_tax) FROM ${given})`),
    small_differences:
      entry(`(SELECT sum(p.small_difference) FROM ${given} AND p.write_off = 'small')`) +
      entry(`(SELECT sum(w.sum) FROM ${written} AND w.kind = 'small')`),
    bad_debt:
      entry(
        `(SELECT sum(p.small_difference - p.write_off_tax) FROM ${given} AND p.write_off = 'bad_debt')`,
      ) +
      entry(`(SELECT sum(w.sum - w.tax) FROM ${written} AND w.kind = 'bad_debt')`) +
      own * entry(allowance),
    allowance: -own * entry(allowance),
    recoveries: -entry(`(SELECT sum(r.recovered) FROM ${receipt})`),
    return_fees: -entry(
      `(SELECT sum(o.opened) FROM ${open} AND o.kind = 'late_fee' AND o.id NOT IN (SELECT fee_item_id FROM late_fee))`,
    ),
    late_fees: -entry(
      `(SELECT sum(o.opened) FROM ${open} AND o.id IN (SELECT fee_item_id FROM late_fee))`,
    ),
    tax:
      entry(`(SELECT sum(p.discount_tax + p.write_off_tax) FROM ${given})`) +
      entry(`(SELECT sum(w.tax) FROM ${written})`) -
      entry(`(SELECT sum(o.tax) FROM ${open} AND o.opened_on > '2026-10-31')`),
    income: -entry(
      `(SELECT sum(o.total - o.tax) FROM ${open} AND o.opened_on > '2026-10-31' AND o.kind <> 'late_fee')`,
    ),
    opening:
      -entry(`(SELECT sum(o.opened) FROM ${open} AND o.opened_on <= '2026-10-31')`) -
      own * entry("(SELECT sum(opening_balance) FROM bank_account)"),
    elsewhere: -own * entry("(SELECT sum(amount) FROM bank_line WHERE state = 'elsewhere')"),
  };
  return Object.fromEntries(
    Object.entries(sums)
      .filter(([, sum]) => sum !== 0)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );
}
