import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { CUSTOMERS, INVOICES, TestBook } from "../../tests/support/book";

/**
 * Random histories over a small book: whatever arrives and whatever the clerk
 * does, in any order, every proof holds after every step; and undoing what was
 * done brings the accounts back to what the files alone make.
 */
type Step = { do: "charge" | "payout" | "bank" | "return" | "refund" | "dispute" | "place" | "on_account" | "sure" | "aside" | "use" | "lost" | "undo" | "hand" | "deposit" | "bounce" | "give_up"; pick: number; share: number };
const steps = fc.array(fc.record({ do: fc.constantFrom<Step["do"]>("charge", "charge", "payout", "bank", "return", "refund", "dispute", "place", "place", "on_account", "sure", "aside", "use", "lost", "undo", "hand", "hand", "deposit", "bounce", "give_up"), pick: fc.nat(1000), share: fc.integer({ min: 1, max: 100 }) }), { minLength: 5, maxLength: 30 });

const UNDOABLE = "'place', 'set_aside', 'tie', 'elsewhere', 'bank_receipt', 'hand_receipt', 'deposit', 'deposit_banked', 'bounce', 'dispute_lost'";

class History {
  private count = 0;
  constructor(readonly book: TestBook) {}

  step({ do: kind, pick, share }: Step): void {
    const { book } = this;
    const any = <T>(list: readonly T[]): T | undefined => list[pick % Math.max(1, list.length)];
    const money = (amount: number): string => (amount / 100).toFixed(2);
    const charge = any(book.db.all<{ id: string; amount: number }>("SELECT external_id AS id, amount FROM processor_item WHERE kind = 'charge' ORDER BY id"));
    const waiting = any(book.db.all<{ id: number; unidentified: number }>("SELECT id, unidentified FROM receipt WHERE state = 'to_match' ORDER BY id"));
    const id = ++this.count;
    const on = addDays(day("2026-11-02"), id % 20);
    const rows = (kindWord: string, amount: number, fee: number, related: string, payout: string): void => void book.mustTake("processor", `Id,Type,Date,Gross,Fee,Payer,Memo,Payout id,Original id\nx_${id},${kindWord},${on},${money(amount)},${money(fee)},Alder Lane Pottery School,2040${pick % 6},${payout},${related}\n`);
    switch (kind) {
      case "charge": return rows("Charge", 500 + pick * 10, share, "", pick % 3 === 0 ? "" : `po_${pick % 4}`);
      case "return": return charge && rows("ACH return", -Math.max(1, Math.floor((charge.amount * (share > 50 ? 100 : share)) / 100)), 400, charge.id, "");
      case "refund": return charge && rows("Refund", -Math.max(1, Math.floor((charge.amount * share) / 100)), 0, share === 1 ? "unknown" : charge.id, `po_${pick % 4}`);
      case "dispute": return charge && rows("Dispute", -charge.amount, 1500, charge.id, `po_${pick % 4}`);
      case "payout": return void book.mustTake("processor", `Id,Type,Date,Gross,From,To\np_${id},Payout,${on},${money(pick)},${addDays(on, -2)},${on}\n`, { mapping: { signs: "as_written" } });
      case "bank": {
        const payout = any(book.db.all<{ net: number; paidOn: string }>("SELECT net, paid_on AS paidOn FROM payout WHERE state = 'open' AND net <> 0 ORDER BY id"));
        const [sum, when] = payout && share > 20 ? [payout.net, payout.paidOn] : [pick * 3 + 1, on];
        return void book.mustTake("bank", `Date,Description,Amount\n${when},${share % 2 ? "ACH CREDIT HERON POINT" : "SOMETHING"} ${id},${money(sum)}\n`);
      }
      case "place": {
        const item = any(book.db.all<{ id: number; balance: number; customerId: number }>("SELECT id, balance, customer_id AS customerId FROM open_item WHERE balance > 0 ORDER BY id"));
        if (!waiting || !item) return;
        const amount = Math.max(1, Math.min(waiting.unidentified, Math.floor((item.balance * share) / 100)));
        const rest = item.balance - amount;
        return void book.do("placeReceipt", { receiptId: waiting.id, customerId: item.customerId, lines: [{ itemId: item.id, amount, discount: share % 3 === 0 ? Math.min(rest, 200) : 0, smallDifference: share % 3 === 1 && rest <= 500 ? rest : 0 }] });
      }
      case "on_account": return waiting && void book.do("placeReceipt", { receiptId: waiting.id, customerId: 1 + (pick % 4), lines: [] });
      case "aside": return waiting && void book.do("setAside", { receiptId: waiting.id, reason: "not ours" });
      case "sure": return void book.do("postSure", { receiptIds: null });
      case "use": {
        const credit = any(book.db.all<{ id: number; onAccount: number }>("SELECT id, on_account AS onAccount FROM receipt WHERE on_account > 0 ORDER BY id"));
        const item = any(book.db.all<{ id: number; balance: number }>("SELECT id, balance FROM open_item WHERE balance > 0 ORDER BY id DESC"));
        return credit && item && void book.do("useCredit", { receiptId: credit.id, customerId: null, lines: [{ itemId: item.id, amount: Math.min(credit.onAccount, item.balance) }] });
      }
      case "lost": {
        const dispute = any(book.db.all<{ id: number }>("SELECT id FROM processor_item WHERE kind = 'dispute' AND settled_state = 'opened' ORDER BY id"));
        return dispute && void book.do("disputeLost", { processorItemId: dispute.id });
      }
      case "hand": return void book.do("recordReceipt", { method: pick % 2 ? "check" : "cash", number: String(id), paidOn: on, amount: 500 + pick * 10, payerName: "Alder Lane Pottery School", reference: `2040${pick % 6}` });
      case "deposit": {
        const lying = book.db.all<{ id: number }>("SELECT id FROM receipt WHERE hand_state = 'on_hand' ORDER BY id").slice(0, 1 + (share % 3));
        if (lying.length > 0) book.do("makeDeposit", { receiptIds: lying.map((one) => one.id), bank: "operating", onDay: on });
        const under = any(book.db.all<{ sum: number; onDay: string }>("SELECT sum, on_day AS onDay FROM deposit WHERE state = 'made' ORDER BY id"));
        return under && share % 2 === 0 ? void book.mustTake("bank", `Date,Description,Amount\n${under.onDay},DEPOSIT ${id},${money(under.sum)}\n`) : undefined;
      }
      case "bounce": {
        const banked = any(book.db.all<{ id: number; amount: number }>("SELECT id, amount FROM receipt WHERE hand_state = 'banked' AND state <> 'returned' ORDER BY id"));
        if (!banked) return;
        book.mustTake("bank", `Date,Description,Amount\n2026-11-24,RETURNED ${id},${money(-banked.amount)}\n`);
        const line = book.db.get<{ id: number }>("SELECT max(id) AS id FROM bank_line WHERE state = 'open' AND amount = ?", -banked.amount);
        return void book.do("bounceReceipt", { receiptId: banked.id, lineId: line?.id ?? 0 });
      }
      case "give_up": {
        const item = any(book.db.all<{ id: number; balance: number; customerId: number }>("SELECT id, balance, customer_id AS customerId FROM open_item WHERE balance > 1000 ORDER BY id"));
        if (!waiting || !item || waiting.unidentified >= item.balance) return;
        const asked = book.as("Mara").do("askApproval", { receiptId: waiting.id, customerId: item.customerId, lines: [{ itemId: item.id, amount: waiting.unidentified, smallDifference: item.balance - waiting.unidentified }], why: "given up" });
        return asked.ok && share > 30 ? void book.as("Theo").do("decideWriteOff", { approvalId: asked.value.approvalId, approve: share > 50 }) : undefined;
      }
      case "undo": {
        const act = any(book.db.all<{ id: number }>(`SELECT id FROM act WHERE undone_by IS NULL AND kind IN (${UNDOABLE}) ORDER BY id DESC`));
        return act && void book.do("undo", { actId: act.id });
      }
      default: throw kind satisfies never;
    }
  }

  /** Undoes whatever can be undone, until nothing more can. */
  undoAll(): number {
    let undone = 0;
    for (let again = true; again; ) {
      again = false;
      for (const { id } of this.book.db.all<{ id: number }>(`SELECT id FROM act WHERE undone_by IS NULL AND kind IN (${UNDOABLE}) ORDER BY id DESC`)) if (this.book.do("undo", { actId: id }).ok) { again = true; undone += 1; }
    }
    return undone;
  }
}

const started = (): TestBook => {
  const book = TestBook.ready();
  book.mustTake("customers", CUSTOMERS);
  book.mustTake("invoices", INVOICES);
  book.must("changeSettings", { people: ["Mara", "Theo"] });
  return book;
};

describe("random histories", () => {
  it("every proof holds after every step, and after undoing", () => {
    fc.assert(fc.property(steps, (made) => {
      const book = started();
      const history = new History(book);
      for (const step of made) {
        history.step(step);
        expect({ after: step, broken: book.broken() }).toEqual({ after: step, broken: [] });
      }
      history.undoAll();
      expect(book.broken()).toEqual([]);
      book.close();
    }), { numRuns: 18 });
  });

  it("placing, setting aside and tying undone in any order brings every account back", () => {
    fc.assert(fc.property(steps, (made) => {
      const book = started();
      const history = new History(book);
      const files = made.filter((step) => ["charge", "payout"].includes(step.do));
      const acts = made.filter((step) => ["place", "on_account", "sure", "aside", "use", "hand", "deposit", "bounce", "give_up"].includes(step.do));
      for (const step of files) history.step(step);
      const before = book.balances();
      for (const step of acts) history.step(step);
      history.undoAll();
      expect(book.balances()).toEqual(before);
      expect(book.db.get("SELECT count(*) AS n FROM receipt WHERE state <> 'to_match' AND hand_state IS NULL")).toEqual({ n: 0 });
      book.close();
    }), { numRuns: 18 });
  });
});
