import type { AgreedListed, CardRunningOut, PayingFacts, TakenListed } from "@/contracts/paying";
import { addBankingDays, addDays, type Day } from "@/core/calendar";
import { isDeclineCode, nextDebit, nextTry, runsOutOn } from "@/core/paying";
import { agreedSkips, consentsInForce } from "@/db/consents";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { openItemById } from "@/db/openItems";
import { readSettings } from "@/db/settings";
import { agreedPaymentsSince, partsOfPayment, type PaymentRow, triesOf } from "@/db/payments";
import { cardsOnFile, payMethodById } from "@/db/payMethods";

import { agreedDue, notTakenSo } from "./agreed";
import { holdsOn } from "./holds";
import { plannedDue } from "./planned";
import { untoldSums } from "./untold";

/** How far back what was taken is shown. */
const SHOWN_DAYS = 14;
const DEBIT_DAYS = 3;

/** What is due of those who agreed that it is taken, and what became of what was. */
export function payingPageOf(db: Db, today: Day, filesWaiting: string[] = []): PayingFacts {
  const holdOf = holdsOn(db, today);
  const skips = new Map(agreedSkips(db, today).map((skip) => [skip.customerId, skip.reason]));
  const due = [...agreedDue(db, today), ...plannedDue(db, today)].map(
    ({ parts: _, planPartId, planId: _plan, ...payment }): AgreedListed => ({
      ...payment,
      ofPlan: planPartId !== null,
      countsOn: payment.way === "card" ? today : addBankingDays(today, DEBIT_DAYS),
      takenOut: skips.get(payment.customerId) ?? holdOf(payment.customerId),
    }),
  );
  const taken = agreedPaymentsSince(db, addDays(today, -SHOWN_DAYS)).map((payment) =>
    takenOf(db, payment),
  );
  const cards = cardsRunningOut(db, today);
  const { noticeDays } = readSettings(db);
  const from = addDays(today, noticeDays);
  const untold = untoldSums(db, today).map(
    ({ key, customerId, customer, numbers, currency, amount }) => {
      return { key, customerId, customer, numbers, currency, amount, from };
    },
  );
  return { due, taken, cards, notTaken: notTakenSo(db, today), untold, filesWaiting };
}

/** Cards on file whose time is nearly over, or is; what is taken from by itself first. */
function cardsRunningOut(db: Db, today: Day): CardRunningOut[] {
  const agreed = new Set(consentsInForce(db).map(({ methodId }) => methodId));
  const cards = cardsOnFile(db).flatMap((method): CardRunningOut[] => {
    const lastDay = runsOutOn(method.expires, today);
    if (lastDay === null) return [];
    return [
      {
        methodId: method.id,
        customerId: method.customerId,
        customer: customerById(db, method.customerId)?.name ?? "",
        method: `${method.name} ending in ${method.lastFour}`,
        lastDay,
        agreed: agreed.has(method.id),
        askedOn: method.askedAnewOn,
      },
    ];
  });
  return [...cards.filter((card) => card.agreed), ...cards.filter((card) => !card.agreed)];
}

function takenOf(db: Db, payment: PaymentRow): TakenListed {
  const method = payMethodById(db, payment.methodId);
  const parts = partsOfPayment(db, payment.id);
  const tries = parts[0] ? triesOf(db, parts[0].itemId) : [];
  // What was tried again since then is told of by the later try.
  const isLast = tries.at(-1)?.id === payment.id;
  const { id, customerId, currency, amount, askedOn, state, code, settlesOn } = payment;
  return {
    id,
    customerId,
    customer: customerById(db, customerId)?.name ?? "",
    method: method ? `${method.name} ending in ${method.lastFour}` : "",
    numbers: parts.flatMap(({ itemId }) => openItemById(db, itemId)?.number ?? []),
    currency,
    amount,
    on: askedOn,
    state,
    code,
    settlesOn,
    triedAgainOn: isLast ? nextOf(payment, tries) : null,
  };
}

/** When a payment that was declined, or came back, is tried again by itself; null where it is not. */
function nextOf(
  { state, code, askedOn }: PaymentRow,
  tries: ReturnType<typeof triesOf>,
): Day | null {
  if (state === "returned")
    return nextDebit(
      code ?? "",
      tries.map((one) => one.settlesOn ?? one.askedOn),
    );
  return state === "declined" && code !== null && isDeclineCode(code)
    ? nextTry(code, tries.length, askedOn)
    : null;
}
