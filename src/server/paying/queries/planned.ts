import type { Day } from "@/core/calendar";
import { minor, sumOf } from "@/core/money";
import { isDeclineCode, nextDebit, nextTry, spread } from "@/core/paying";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { beingPaid, type PaymentRow, triesOfPart } from "@/db/payments";
import {
  itemsOfPlan,
  partsOfPlan,
  type PayPlanPartRow,
  type PayPlanRow,
  plansInForce,
} from "@/db/payPlans";
import { payMethodById } from "@/db/payMethods";

import { payKey } from "../payKey";
import type { AgreedPayment } from "./agreed";

/** How a part of a plan stands. */
export type PartStands = "paid" | "on_way" | "to come" | "to try" | "broken";

/** How a part stands on a day, by its tries: broken where no further try may be made. */
export function partStands(tries: readonly PaymentRow[], on: Day): PartStands {
  const last = tries.at(-1);
  if (!last) return "to come";
  if (last.state === "paid") return "paid";
  if (last.state === "asked" || last.state === "on_way") return "on_way";
  const next = nextOf(tries, last);
  if (next === null) return "broken";
  return next <= on ? "to try" : "to come";
}

function nextOf(tries: readonly PaymentRow[], last: PaymentRow): Day | null {
  const code = last.code ?? "";
  if (last.state === "returned")
    return nextDebit(
      code,
      tries.map(({ settlesOn, askedOn }) => settlesOn ?? askedOn),
    );
  return isDeclineCode(code) ? nextTry(code, tries.length, last.askedOn) : null;
}

/** The parts of plans that are due by a day, as payments of the run. */
export const plannedDue = (db: Db, on: Day): AgreedPayment[] =>
  plansInForce(db).flatMap((plan) =>
    partsOfPlan(db, plan.id).flatMap((part) => {
      const tries = triesOfPart(db, part.id);
      const stands = partStands(tries, on);
      const isDue = part.dueOn <= on && (tries.length === 0 || stands === "to try");
      return isDue ? (paymentOf(db, plan, { part, tries: tries.length }) ?? []) : [];
    }),
  );

/** What a part takes of what is still open of its plan; null where nothing is. */
function paymentOf(
  db: Db,
  plan: PayPlanRow,
  { part, tries }: { part: PayPlanPartRow; tries: number },
): AgreedPayment | null {
  const method = payMethodById(db, plan.methodId);
  const open = itemsOfPlan(db, plan.id)
    .flatMap((id): OpenItemRow | [] => openItemById(db, id) ?? [])
    .map(({ id, number, dueOn, balance }) => ({
      itemId: id,
      number,
      dueOn,
      balance: minor(Math.max(0, balance - beingPaid(db, id))),
    }));
  const parts = spread(part.amount, open);
  // From a way that its customer took off the file nothing is taken any more.
  if (method?.removedOn !== null || parts.length === 0) return null;
  const paid = new Set(parts.map(({ itemId }) => itemId));
  return {
    key: payKey("plan", [part.id], tries + 1),
    customerId: plan.customerId,
    customer: customerById(db, plan.customerId)?.name ?? "",
    methodId: method.id,
    method: `${method.name} ending in ${method.lastFour}`,
    way: method.way,
    currency: plan.currency,
    amount: sumOf(parts, ({ amount }) => amount),
    parts,
    numbers: open.filter(({ itemId }) => paid.has(itemId)).map(({ number }) => number),
    tries: tries + 1,
    // Its customer agreed to the sums and their days.
    notice: null,
    planPartId: part.id,
    planId: plan.id,
  };
}

/** Plans of which all is paid, by them or otherwise: they end. */
export const paidPlans = (db: Db): PayPlanRow[] =>
  plansInForce(db).filter(({ id }) =>
    itemsOfPlan(db, id).every((itemId) => (openItemById(db, itemId)?.balance ?? 0) <= 0),
  );

/** Plans of which a part cannot be taken any more, or whose way is off the file: all is due as before. */
export const brokenPlans = (db: Db, on: Day): PayPlanRow[] =>
  plansInForce(db).filter(
    ({ id, methodId }) =>
      payMethodById(db, methodId)?.removedOn !== null ||
      partsOfPlan(db, id).some((part) => partStands(triesOfPart(db, part.id), on) === "broken"),
  );
