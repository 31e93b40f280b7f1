import { addDays, type Day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";
import type { KeptMethod } from "@/core/paying";
import type { Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";
import { creditFrom, otherLines } from "@/practice/bank";
import { practiceAccount, practiceCard, PRACTICE_ROUTING } from "@/practice/numbers";
import { setRate } from "@/practice/payouts";
import type { Person } from "@/practice/people";
import { PracticeProcessor } from "@/practice/processor";
import { ACH, agreeOn, CARD } from "@/practice/terms";

import { abroadRates, chargesAbroad } from "./abroad";
import { CUT_OVER, type Extra, type Payment, TODAY, type World } from "./types";

const USD = currencyOf("USD") as Currency;
const EUR = currencyOf("EUR") as Currency;

/** Nothing is kept back, and every payout arrives: the README's steps are about other things. */
const STEADY = { reserves: false, refused: false };

/** How the numbers of cards begin, as their schemes publish it. */
const BEGINNINGS = ["4", "51", "6011"];

/**
 * Lives the demo's history through at the practice processor and the practice bank, day by day: its
 * customers pay, debits settle or come back, payouts leave, and the bank has other lines beside. What
 * arrives afterwards is what these two write.
 */
export function live(store: PracticeStore, world: World): void {
  agreeOn(store, {
    card: { ...CARD, ...STEADY, shape: "net" },
    ach: { ...ACH, ...STEADY },
    euro: { ...CARD, ...STEADY, currency: EUR, perMille: 34, payoutDays: 3, shape: "dated" },
  });
  const demo = new Demo(store, world.people);
  const rates = new Map(
    abroadRates()
      .filter(({ currency }) => currency === EUR)
      .map(({ onDay, rate }) => [onDay, rate]),
  );
  store.together(() => {
    for (let on = addDays(CUT_OVER, 1); on <= TODAY; on = addDays(on, 1)) {
      const rate = rates.get(on);
      if (rate !== undefined) setRate(store, EUR, rate);
      demo.processor.day(on);
      for (const payment of world.payments) if (payment.paidOn === on) demo.pay(payment);
      for (const { number, name, email, total } of chargesAbroad(on))
        demo.charge(demo.card(name, on), {
          ...{ key: number, amount: minor(total), currency: EUR },
          ...{ payerName: name, payerEmail: email, reference: number, on },
        });
      for (const extra of world.extras) if (extra.on === on) demo.goBack(extra);
      otherLines(store, on);
    }
  });
}

type Ask = Omit<Parameters<PracticeProcessor["charge"]>[0], "token" | "present">;

class Demo {
  readonly processor: PracticeProcessor;
  private readonly methods = new Map<string, string>();
  private readonly places: Map<string, number>;

  constructor(
    private readonly store: PracticeStore,
    people: readonly Person[],
  ) {
    this.processor = new PracticeProcessor(store);
    this.places = new Map(people.map(({ id }, at) => [id, at]));
  }

  pay({ id, person, via, paidOn, amount, payerName, payerEmail, memo, returns }: Payment): void {
    if (via === "bank") return creditFrom(this.store, paidOn, { name: payerName, amount, memo });
    const token = via === "card" ? this.card(person.id, paidOn) : this.account(person.id, returns);
    this.charge(token, {
      ...{ key: id, amount, currency: USD },
      ...{ payerName, payerEmail, reference: memo, on: paidOn },
    });
  }

  charge(token: string, ask: Ask): void {
    must(this.processor.charge({ ...ask, token, present: true }));
  }

  card(of: string, on: Day): string {
    const at = this.places.get(of) ?? 0;
    const number = practiceCard(at, "00", BEGINNINGS[at % BEGINNINGS.length]);
    return this.known(of, () =>
      must(this.processor.takeCard({ number, expiry: "12/31", code: "123" }, on)),
    );
  }

  private account(of: string, returns = "00"): string {
    const account = practiceAccount(this.places.get(of) ?? 0, returns);
    return this.known(`${of} ${returns}`, () =>
      must(this.processor.takeAccount({ routing: PRACTICE_ROUTING, account, again: account })),
    );
  }

  private known(of: string, take: () => KeptMethod): string {
    const token = this.methods.get(of) ?? take().token;
    this.methods.set(of, token);
    return token;
  }

  goBack({ kind, on, payment }: Extra): void {
    const charge = this.store.chargeByKey(payment);
    if (!charge) throw new Error(`the demo has no payment ${payment}`);
    const { id: chargeId, amount } = charge;
    if (kind === "dispute") this.processor.dispute(charge, on);
    else must(this.processor.refund({ key: `refund of ${payment}`, chargeId, amount, on }));
  }
}

function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`the demo's world: ${JSON.stringify(result.error)}`);
  return result.value;
}
