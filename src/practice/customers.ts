import { addDays, type Day } from "@/core/calendar";
import { minor } from "@/core/money";
import { consentOf } from "@/db/consents";
import type { Db } from "@/db/connection";
import { customerByExternalId } from "@/db/customers";
import { type OpenItemRow, openItemsOf } from "@/db/openItems";
import { beingPaid } from "@/db/payments";
import { payMethodsOf } from "@/db/payMethods";
import type { PracticeStore } from "@/db/practice";
import { payKey } from "@/server/paying/payKey";
import { type DoCommand, payNow } from "@/server/paying/payNow";

import { creditFrom, creditWithAdvice } from "./bank";
import { fateOf, seedOf } from "./habits";
import { must } from "./hands";
import { practiceAccount, practiceCard, PRACTICE_ROUTING } from "./numbers";
import type { Person } from "./people";
import type { PracticeProcessor } from "./processor";
import { Random } from "./random";

/** What of the practice world a customer acts in. */
export type Around = {
  db: Db;
  store: PracticeStore;
  processor: PracticeProcessor;
  run: DoCommand;
  seed: number;
};

/** Days after the due day on which who forgot is reminded enough. */
const FORGOTTEN = 55;
/** Days after a charge on which its card holder disputes it. */
export const DISPUTED_AFTER = 12;

/** What a customer pays on a day, by habit; gives what happened. */
export async function actOf(around: Around, person: Person, on: Day): Promise<string[]> {
  const { db, store, seed } = around;
  const customer = customerByExternalId(db, person.id);
  if (!customer || consentOf(db, customer.id)) return [];
  const due = openItemsOf(db, customer.id).filter(
    (item) =>
      item.balance > 0 && !store.isDone(`paid ${item.number}`) && beingPaid(db, item.id) === 0,
  );
  const now = due.filter((item) => wantsToPay(seed, person, item, on));
  if (now.length === 0) return [];
  const groups = person.habit.together ? [now] : now.map((item) => [item]);
  const done: string[] = [];
  for (const items of groups) {
    if (person.habit.pays === "ach_credit")
      done.push(store.together(() => byBank(around, person, items, on)));
    else {
      done.push(await byLink(around, { person, customerId: customer.id, items, on }));
      markPaid(store, items, on);
    }
  }
  return done;
}

function wantsToPay(seed: number, person: Person, item: OpenItemRow, on: Day): boolean {
  const fate = fateOf(seed, item.number, { dueOn: item.dueOn, lateDays: person.habit.lateDays });
  const paysOn = fate.forgets ? addDays(item.dueOn, FORGOTTEN) : fate.paysOn;
  return on > item.issuedOn && on >= paysOn;
}

function markPaid(store: PracticeStore, items: readonly OpenItemRow[], on: Day): void {
  for (const { number } of items) store.once(`paid ${number}`, on);
}

/** A credit into the bank account, now and then short, now and then made twice; for several invoices with advice. */
function byBank(
  { store, seed }: Around,
  person: Person,
  items: readonly OpenItemRow[],
  on: Day,
): string {
  const [first] = items;
  if (items.length > 1) {
    const lines = items.map(({ number, balance }) => ({ number, amount: balance }));
    creditWithAdvice(store, on, { name: person.name, lines });
    markPaid(store, items, on);
    return "bank_with_advice";
  }
  const { short, paysTwice } = fateOf(seed, first?.number ?? "", { dueOn: on, lateDays: 0 });
  const whole = first?.balance ?? 0;
  const amount = short < whole ? whole - short : whole;
  const credit = { name: person.name, amount, memo: memoOf(person, items) };
  creditFrom(store, on, credit);
  if (paysTwice) creditFrom(store, addDays(on, 7), credit);
  markPaid(store, items, on);
  return paysTwice ? "bank_twice" : "bank";
}

function memoOf({ habit }: Person, items: readonly OpenItemRow[]): string {
  const numbers = items.map(({ number }) => number);
  switch (habit.memo) {
    case "number":
      return numbers.join(" ");
    case "digits":
      return numbers.map((number) => number.replace(/\D/g, "")).join(" ");
    case "name":
      return (items[0]?.description ?? "").toUpperCase();
    case "none":
      return "";
    default:
      throw habit.memo satisfies never;
  }
}

type ByLink = { person: Person; customerId: number; items: readonly OpenItemRow[]; on: Day };

/** Opens the bill and pays it, by what is on file, else by a card or an account that stays there. */
async function byLink(around: Around, { person, customerId, items, on }: ByLink): Promise<string> {
  const { db, processor, run } = around;
  const way = person.habit.pays === "card" ? "card" : "bank";
  const onFile = payMethodsOf(db, customerId).find((method) => method.way === way);
  const methodId = onFile?.id ?? (await newMethod(around, { person, customerId, on }));
  const key = keyFor(items, 1);
  const paid = await payNow({
    processor,
    run,
    on,
    ask: {
      key,
      customerId,
      methodId,
      by: "link",
      parts: items.map(({ id, balance }) => ({ itemId: id, amount: minor(balance) })),
    },
  });
  const { state } = must(paid);
  if (state === "declined") return otherCard(around, { person, customerId, items, on });
  return `link_${state}`;
}

const keyFor = (items: readonly OpenItemRow[], tries: number): string =>
  payKey(
    "link",
    items.map(({ id }) => id),
    tries,
  );

/** Who is declined tries another card, which is good. */
async function otherCard(around: Around, by: ByLink): Promise<string> {
  const methodId = await newMethod(around, by, true);
  const { person, customerId, items, on } = by;
  const { processor, run } = around;
  const again = await payNow({
    processor,
    run,
    on,
    ask: {
      key: keyFor(items, 2),
      customerId,
      methodId,
      by: "link",
      parts: items.map(({ id, balance }) => ({ itemId: id, amount: minor(balance) })),
    },
  });
  return must(again).state === "paid"
    ? "link_declined_then_paid"
    : `link_declined_${person.habit.pays}`;
}

/** A card or account of a customer, kept; some cards are declined and some accounts come back. */
export async function newMethod(
  { processor, run, seed }: Around,
  { person, customerId, on }: Pick<ByLink, "person" | "customerId" | "on">,
  isGood = false,
): Promise<number> {
  const random = new Random(seedOf(seed, "method", person.id, isGood ? 1 : 0));
  const which = seedOf(person.id, isGood ? 1 : 0) % 100_000_000;
  const answer = !isGood && random.chance(0.05) ? random.pick(["51", "05", "91"]) : "00";
  const well = random.chance(0.94) ? "00" : random.pick(["01", "02", "08", "10"]);
  const code = well === "00" && random.chance(0.06) ? random.pick(["81", "82", "85"]) : well;
  const account = practiceAccount(which, code);
  const kept = must(
    person.habit.pays === "card"
      ? processor.takeCard(
          { number: practiceCard(which, answer), expiry: "12/31", code: "123" },
          on,
        )
      : processor.takeAccount({ routing: PRACTICE_ROUTING, account, again: account }),
  );
  return must(
    await run("keepMethod", { customerId, ...kept, onFile: true }, `method-${kept.token}`),
  ).id;
}
