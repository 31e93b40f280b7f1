import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";
import type { Whence } from "./consents";

/** That what is overdue is paid in parts, as its customer agreed. */
export type PayPlanRow = Whence & {
  id: number;
  customerId: number;
  methodId: number;
  currency: Currency;
  words: string;
  onDay: Day;
  at: string;
  contactId: number;
};

export type PayPlanPartRow = { id: number; dueOn: Day; amount: Minor };

const PLAN = `SELECT p.id, p.customer_id AS customerId, p.method_id AS methodId, p.currency, p.words, p.on_day AS onDay, p.at,
  p.address, p.agent, p.contact_id AS contactId FROM pay_plan p LEFT JOIN pay_plan_end e ON e.plan_id = p.id
  WHERE e.plan_id IS NULL`;

type NewPlan = Omit<PayPlanRow, "id"> & {
  itemIds: readonly number[];
  parts: readonly Omit<PayPlanPartRow, "id">[];
};

export function insertPayPlan(db: Db, plan: NewPlan): number {
  const { id } = db.run(
    "INSERT INTO pay_plan (customer_id, method_id, currency, words, on_day, at, address, agent, contact_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    plan.customerId,
    plan.methodId,
    plan.currency,
    plan.words,
    plan.onDay,
    plan.at,
    plan.address,
    plan.agent,
    plan.contactId,
  );
  for (const itemId of plan.itemIds)
    db.run("INSERT INTO pay_plan_item (plan_id, open_item_id) VALUES (?, ?)", id, itemId);
  for (const { dueOn, amount } of plan.parts)
    db.run(
      "INSERT INTO pay_plan_part (plan_id, due_on, amount) VALUES (?, ?, ?)",
      id,
      dueOn,
      amount,
    );
  return id;
}

export function insertPayPlanEnd(db: Db, planId: number, onDay: Day, why: string): void {
  db.run("INSERT INTO pay_plan_end (plan_id, on_day, why) VALUES (?, ?, ?)", planId, onDay, why);
}

/** Plans that go on, of one customer or of all. */
export const plansInForce = (db: Db, customerId: number | null = null): PayPlanRow[] =>
  customerId === null
    ? db.all<PayPlanRow>(`${PLAN} ORDER BY p.id`)
    : db.all<PayPlanRow>(`${PLAN} AND p.customer_id = ? ORDER BY p.id`, customerId);

/** The plan of a part, where it goes on. */
export const planOfPart = (db: Db, partId: number): PayPlanRow | undefined =>
  db.get<PayPlanRow>(`${PLAN} AND p.id = (SELECT plan_id FROM pay_plan_part WHERE id = ?)`, partId);

export const partsOfPlan = (db: Db, planId: number): PayPlanPartRow[] =>
  db.all<PayPlanPartRow>(
    "SELECT id, due_on AS dueOn, amount FROM pay_plan_part WHERE plan_id = ? ORDER BY due_on, id",
    planId,
  );

export const itemsOfPlan = (db: Db, planId: number): number[] =>
  db
    .all<{ id: number }>(
      "SELECT open_item_id AS id FROM pay_plan_item WHERE plan_id = ? ORDER BY open_item_id",
      planId,
    )
    .map(({ id }) => id);

/** Whether an item is paid by a plan that goes on. */
export const isInPlan = (db: Db, itemId: number): boolean =>
  db.get(
    `SELECT 1 FROM pay_plan_item i LEFT JOIN pay_plan_end e ON e.plan_id = i.plan_id
     WHERE i.open_item_id = ? AND e.plan_id IS NULL`,
    itemId,
  ) !== undefined;
