import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { PaidPart } from "@/core/paying";

import type { Db } from "./connection";

/** `asked`: the processor was asked, and its answer is not here yet. */
export type PaymentState = "asked" | "paid" | "on_way" | "declined" | "returned";

/** A payment that a customer made here, or agreed to. */
export type PaymentRow = {
  id: number;
  key: string;
  customerId: number;
  methodId: number;
  processorAccountId: number;
  currency: Currency;
  /** What is taken: what the items are settled for, less savings, and the surcharge. */
  amount: Minor;
  surcharge: Minor;
  by: "link" | "agreed" | "clerk";
  consentId: number | null;
  /** The part of a plan that it pays; null where it is none. */
  planPartId: number | null;
  askedOn: Day;
  askedAt: string;
  state: PaymentState;
  chargeId: string | null;
  /** Why it was declined or came back. */
  code: string | null;
  settlesOn: Day | null;
  receiptId: number | null;
};

const PAYMENT = `SELECT id, key, customer_id AS customerId, method_id AS methodId, processor_account_id AS processorAccountId,
  currency, amount, surcharge, by, consent_id AS consentId, plan_part_id AS planPartId, asked_on AS askedOn, asked_at AS askedAt, state, charge_id AS chargeId, code,
  settles_on AS settlesOn, receipt_id AS receiptId FROM payment`;

export const paymentByKey = (db: Db, key: string): PaymentRow | undefined =>
  db.get<PaymentRow>(`${PAYMENT} WHERE key = ?`, key);

export const paymentByCharge = (
  db: Db,
  accountId: number,
  chargeId: string,
): PaymentRow | undefined =>
  db.get<PaymentRow>(
    `${PAYMENT} WHERE processor_account_id = ? AND charge_id = ?`,
    accountId,
    chargeId,
  );

/** Charges of payments that were made here and are not settled yet. */
export const chargesOnTheirWay = (db: Db, accountId: number): Set<string> =>
  db.ids(
    "SELECT charge_id AS id FROM payment WHERE processor_account_id = ? AND state = 'on_way' AND charge_id IS NOT NULL",
    accountId,
  );

/** The payment whose money a receipt is; undefined where it came otherwise. */
export const paymentOfReceipt = (db: Db, receiptId: number): PaymentRow | undefined =>
  db.get<PaymentRow>(`${PAYMENT} WHERE receipt_id = ?`, receiptId);

/** Whether something was paid by a way before: a card's charge, or a debit that has settled. */
export const hasPaidBy = (db: Db, methodId: number): boolean =>
  db.get("SELECT 1 FROM payment WHERE method_id = ? AND state = 'paid' LIMIT 1", methodId) !==
  undefined;

/** Payments of a customer, the latest first. */
export const paymentsOf = (db: Db, customerId: number, limit: number): PaymentRow[] =>
  db.all<PaymentRow>(
    `${PAYMENT} WHERE customer_id = ? ORDER BY id DESC LIMIT ?`,
    customerId,
    limit,
  );

/** Payments whose answer is not here: the server was ended, or the wire was cut. */
export const paymentsAsked = (db: Db): PaymentRow[] =>
  db.all<PaymentRow>(`${PAYMENT} WHERE state = 'asked' ORDER BY id`);

/** What of an item a payment settles, and how much of that is saved and not paid. */
export type PaymentPart = PaidPart & { readonly saving: Minor };

export const partsOfPayment = (db: Db, paymentId: number): PaymentPart[] =>
  db.all<PaymentPart>(
    "SELECT open_item_id AS itemId, amount, saving FROM payment_item WHERE payment_id = ? ORDER BY open_item_id",
    paymentId,
  );

/** What is being paid of an item: asked, or on its way and not settled. */
export const beingPaid = (db: Db, itemId: number): Minor =>
  db.get<{ sum: Minor }>(
    `SELECT coalesce(sum(i.amount), 0) AS sum FROM payment_item i JOIN payment p ON p.id = i.payment_id
     WHERE i.open_item_id = ? AND p.state IN ('asked', 'on_way')`,
    itemId,
  )?.sum ?? (0 as Minor);

type NewPayment = Omit<
  PaymentRow,
  "id" | "state" | "chargeId" | "code" | "settlesOn" | "receiptId"
>;

export function insertPayment(db: Db, payment: NewPayment, parts: readonly PaymentPart[]): number {
  const { id } = db.run(
    `INSERT INTO payment (key, customer_id, method_id, processor_account_id, currency, amount, surcharge, by, consent_id, plan_part_id, asked_on, asked_at, state)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'asked')`,
    payment.key,
    payment.customerId,
    payment.methodId,
    payment.processorAccountId,
    payment.currency,
    payment.amount,
    payment.surcharge,
    payment.by,
    payment.consentId,
    payment.planPartId,
    payment.askedOn,
    payment.askedAt,
  );
  for (const { itemId, amount, saving } of parts)
    db.run(
      "INSERT INTO payment_item (payment_id, open_item_id, amount, saving) VALUES (?, ?, ?, ?)",
      id,
      itemId,
      amount,
      saving,
    );
  return id;
}

type Answered = Pick<PaymentRow, "state" | "chargeId" | "code" | "settlesOn" | "receiptId">;

/** What became of a payment. */
export function answerPayment(db: Db, id: number, answered: Answered): void {
  db.run(
    "UPDATE payment SET state = ?, charge_id = ?, code = ?, settles_on = ?, receipt_id = ? WHERE id = ?",
    answered.state,
    answered.chargeId,
    answered.code,
    answered.settlesOn,
    answered.receiptId,
    id,
  );
}

/** How often an item was tried as agreed, the first try first. */
export const triesOf = (
  db: Db,
  itemId: number,
): Pick<PaymentRow, "id" | "state" | "code" | "askedOn" | "settlesOn" | "receiptId">[] =>
  db.all(
    `SELECT p.id, p.state, p.code, p.asked_on AS askedOn, p.settles_on AS settlesOn, p.receipt_id AS receiptId FROM payment_item i JOIN payment p ON p.id = i.payment_id
     WHERE i.open_item_id = ? AND p.by = 'agreed' AND p.plan_part_id IS NULL ORDER BY p.id`,
    itemId,
  );

/** How often a part of a plan was tried, the first try first. */
export const triesOfPart = (db: Db, planPartId: number): PaymentRow[] =>
  db.all<PaymentRow>(`${PAYMENT} WHERE plan_part_id = ? ORDER BY id`, planPartId);

/** What was taken as agreed since a day, the latest first. */
export const agreedPaymentsSince = (db: Db, from: Day): PaymentRow[] =>
  db.all<PaymentRow>(
    `${PAYMENT} WHERE by = 'agreed' AND asked_on >= ? ORDER BY asked_on DESC, id DESC LIMIT 5000`,
    from,
  );
