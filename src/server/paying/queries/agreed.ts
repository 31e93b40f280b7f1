import type { NotTaken } from "@/contracts/paying";
import type { Day } from "@/core/calendar";
import {
  askedSum,
  isDeclineCode,
  nextDebit,
  nextTry,
  type PaidPart,
  type WayToPay,
} from "@/core/paying";
import { type Currency, minor, type Minor } from "@/core/money";
import { consentsInForce } from "@/db/consents";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { type OpenItemRow, openItemsOf } from "@/db/openItems";
import { beingPaid, triesOf } from "@/db/payments";
import { payMethodById } from "@/db/payMethods";
import { isInPlan } from "@/db/payPlans";
import { retriesOf } from "@/db/returnsAndDisputes";
import { readSettings, type Settings } from "@/db/settings";

import { payKey } from "../payKey";
import { sumRulesFor } from "../steps/sumRules";
import { waysFor } from "../steps/waysFor";
import { type Notice, noticeFor } from "./noticeFor";

/** What is taken from a customer who agreed to it, on a day. */
export type AgreedPayment = {
  /** The same on every look: a run that is cut off and begun again takes nothing twice. */
  key: string;
  customerId: number;
  customer: string;
  methodId: number;
  method: string;
  way: "card" | "bank";
  currency: Currency;
  amount: Minor;
  parts: PaidPart[];
  numbers: string[];
  /** The try that it is, from 1. */
  tries: number;
  /** What it waits for before it is taken; null where it is not to be told before, or was. */
  notice: Notice | null;
  /** The part of a plan that it pays; null where it is none. */
  planPartId: number | null;
  planId: number | null;
};

/** What is due by a day of those who agreed that it is taken, one payment a customer and currency. */
export function agreedDue(db: Db, on: Day): AgreedPayment[] {
  const settings = readSettings(db);
  return consentsInForce(db).flatMap(({ customerId, methodId }) => {
    const method = payMethodById(db, methodId);
    if (!method) return [];
    const due = dueNow(db, customerId, on).filter((item) => waysFor(db, item).includes(method.way));
    return [...new Set(due.map(({ currency }) => currency))].flatMap((currency) => {
      const items = due.filter((item) => item.currency === currency && mayTry(db, item.id, on));
      if (items.length === 0) return [];
      const tries = Math.max(...items.map(({ id }) => triesOf(db, id).length)) + 1;
      const parts = items.map(({ id, balance }) => ({ itemId: id, amount: minor(balance) }));
      const amount = agreedSum(parts, method.way, settings);
      const taken = { customerId, currency, amount, parts };
      return {
        ...taken,
        key: payKey(
          "agreed",
          items.map(({ id }) => id),
          tries,
        ),
        customer: customerById(db, customerId)?.name ?? "",
        methodId,
        method: `${method.name} ending in ${method.lastFour}`,
        way: method.way,
        numbers: items.map(({ number }) => number),
        tries,
        planPartId: null,
        planId: null,
        notice: noticeFor(db, taken, { days: settings.noticeDays, on }),
      };
    });
  });
}

/** What is taken for invoices that are paid whole, as agreed. */
export function agreedSum(parts: readonly PaidPart[], way: WayToPay, settings: Settings): Minor {
  const whole = parts.map((part) => ({ ...part, isWhole: true }));
  return askedSum(whole, way, sumRulesFor(settings, "agreed")).sum;
}

const dueNow = (db: Db, customerId: number, on: Day): OpenItemRow[] =>
  openItemsOf(db, customerId).filter(
    ({ id, dueOn, balance }) =>
      dueOn <= on && balance > 0 && beingPaid(db, id) === 0 && !isInPlan(db, id),
  );

/** What is due of those who agreed and is not taken: it is offered by another way than theirs alone. */
export function notTakenSo(db: Db, on: Day): NotTaken[] {
  return consentsInForce(db).flatMap(({ customerId, methodId }) => {
    const method = payMethodById(db, methodId);
    if (!method) return [];
    const barred = dueNow(db, customerId, on).filter(
      (item) => !waysFor(db, item).includes(method.way),
    );
    if (barred.length === 0) return [];
    const customer = customerById(db, customerId)?.name ?? "";
    return [{ customerId, customer, way: method.way, numbers: barred.map(({ number }) => number) }];
  });
}

/** Whether an item may be tried on a day: the first time, or when its next try has come. */
function mayTry(db: Db, itemId: number, on: Day): boolean {
  const tries = triesOf(db, itemId);
  const last = tries.at(-1);
  if (!last) return true;
  const code = last.code ?? "";
  if (last.state === "returned") {
    const next = nextDebit(
      code,
      tries.map(({ settlesOn, askedOn }) => settlesOn ?? askedOn),
    );
    return next !== null && (plannedFor(db, last.receiptId) ?? next) <= on;
  }
  if (last.state !== "declined" || !isDeclineCode(code)) return false;
  const next = nextTry(code, tries.length, last.askedOn);
  return next !== null && next <= on;
}

/** On which day a person planned to try a debit again that came back; null where nobody did. */
const plannedFor = (db: Db, receiptId: number | null): Day | null =>
  receiptId === null ? null : (retriesOf(db, receiptId).at(-1)?.plannedOn ?? null);
