import { randomBytes } from "node:crypto";

import { addBankingDays, type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";
import {
  accountFace,
  type ActivityListed,
  cardFace,
  type ChargeAnswer,
  type ChargeAsk,
  type DisputeAnswer,
  isDeclineCode,
  type KeptMethod,
  type Processor,
  type ProcessorEvent,
  type RefundAsk,
  type SentEvent,
  type TypedAccount,
  type TypedCard,
} from "@/core/paying";
import { returnCodeOf } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

import { answerOf, cardFee, debitFee, faceOf, RETURN_FEE, returnsOn } from "./answers";
import { answerDispute, decideDisputes, openDispute } from "./disputes";
import { readEvent } from "./events";
import { activityFile } from "./files";
import { payOut } from "./payouts";
import { leftOfCharge, refunded } from "./refunds";
import { tell } from "./telling";

/** Banking days until a debit settles (common practice, no source). */
const DEBIT_DAYS = 3;

/**
 * The practice processor: takes cards and bank accounts for tokens, approves, declines, settles,
 * returns, disputes, pays out, and tells of it as real ones do. A card whose two digits before the
 * last are a response code of ISO 8583 that declines (05, 14, 41, 43, 51, 54, 57, 61, 91) is
 * answered by it; an account whose last two digits are the number of a return code (01 for R01)
 * comes back by it. Numbers are looked at and let go: what is kept is a token.
 */
export class PracticeProcessor implements Processor {
  constructor(private readonly store: PracticeStore) {}

  /** Takes a card for a token, or says what is wrong with how it is typed. */
  takeCard(card: TypedCard, today: Day): Result<KeptMethod> {
    const face = cardFace(card, today);
    if (!face.ok) return face;
    const digits = card.number.replace(/\D/g, "");
    const { brand, lastFour, expires } = face.value;
    const code = digits.slice(-3, -1);
    return ok(
      this.kept({ way: "card", name: brand, lastFour, expires }, isDeclineCode(code) ? code : ""),
    );
  }

  takeAccount(typed: TypedAccount): Result<KeptMethod> {
    const face = accountFace(typed);
    if (!face.ok) return face;
    const code = `R${typed.account.trim().slice(-2)}`;
    const { bankName, lastFour } = face.value;
    return ok(
      this.kept(
        { way: "bank", name: bankName, lastFour, expires: null },
        returnCodeOf(code) ? code : "",
      ),
    );
  }

  private kept(method: Omit<KeptMethod, "token">, answer: string): KeptMethod {
    const token = `${method.way}_${randomBytes(18).toString("hex")}`;
    this.store.addMethod({ token, ...method, answer });
    return { token, ...method };
  }

  method(token: string): KeptMethod | null {
    return faceOf(this.store.method(token));
  }

  chargeByKey(key: string): ChargeAnswer | null {
    const known = this.store.chargeByKey(key);
    return known ? answerOf(known) : null;
  }

  charge(ask: ChargeAsk): Result<ChargeAnswer> {
    const known = this.store.chargeByKey(ask.key);
    if (known)
      return known.amount === ask.amount && known.token === ask.token
        ? ok(answerOf(known))
        : fail("pay.key");
    const method = this.store.method(ask.token);
    if (!method) return fail("method.gone");
    return ok(
      this.store.together(() =>
        answerOf(
          method.way === "card"
            ? this.byCard(ask, method.answer)
            : this.byDebit(ask, method.answer),
        ),
      ),
    );
  }

  private byCard(ask: ChargeAsk, answer: string): PracticeCharge {
    const isDeclined = answer !== "";
    const fee = isDeclined ? minor(0) : cardFee(ask.amount);
    const made = this.made(ask, "card", {
      state: isDeclined ? "declined" : "approved",
      code: isDeclined ? answer : null,
      fee,
      settlesOn: null,
      returnsOn: null,
    });
    if (isDeclined) return made;
    tell(this.store, made, { type: "charge", id: made.id, amount: made.amount, on: ask.on });
    tell(this.store, made, { type: "fee", id: `${made.id}-f`, amount: minor(-fee), on: ask.on });
    return made;
  }

  private byDebit(ask: ChargeAsk, answer: string): PracticeCharge {
    const settlesOn = addBankingDays(ask.on, DEBIT_DAYS);
    const made = this.made(ask, "ach", {
      state: "on_way",
      code: null,
      fee: debitFee(ask.amount),
      settlesOn,
      returnsOn: answer === "" ? null : returnsOn(answer, settlesOn),
    });
    if (answer !== "") this.store.setCharge(made.id, "on_way", answer);
    tell(
      this.store,
      made,
      { type: "ach debit, pending", id: made.id, amount: made.amount, on: ask.on },
      null,
    );
    return made;
  }

  private made(
    ask: ChargeAsk,
    account: string,
    fate: Pick<PracticeCharge, "state" | "code" | "fee" | "settlesOn" | "returnsOn">,
  ): PracticeCharge {
    const { key, token, amount, currency, payerName, payerEmail, reference } = ask;
    const charge: PracticeCharge = {
      id: `${account === "card" ? "pc" : "pd"}_${this.store.nextNo()}`,
      key,
      token,
      account,
      amount,
      currency,
      payerName,
      payerEmail,
      reference,
      madeOn: ask.on,
      disputedOn: null,
      ...fate,
    };
    this.store.addCharge(charge);
    return charge;
  }

  /** All that is due by a day: debits settle or come back, disputes of cards begin, payouts leave. */
  day(on: Day): Record<string, number> {
    return this.store.together(() => {
      const returning = this.store.returning(on);
      for (const charge of returning) this.comeBack(charge, on);
      const settling = this.store.settling(on);
      for (const charge of settling) this.settle(charge, on);
      const decided = decideDisputes(this.store, on);
      const payouts = payOut(this.store, "card", on) + payOut(this.store, "ach", on);
      const came = { settled: settling.length, returned: returning.length, payouts };
      return { ...came, disputes_won: decided.won, disputes_lost: decided.lost };
    });
  }

  private settle(charge: PracticeCharge, on: Day): void {
    this.store.setCharge(charge.id, "settled", charge.code);
    tell(this.store, charge, { type: "ach debit", id: charge.id, amount: charge.amount, on });
    tell(this.store, charge, { type: "fee", id: `${charge.id}-f`, amount: minor(-charge.fee), on });
  }

  /** A debit comes back: before it settled it only ends; after that its sum and a fee are taken. */
  private comeBack(charge: PracticeCharge, on: Day): void {
    if (charge.state === "on_way") this.settle(charge, on);
    this.store.setCharge(charge.id, "returned", charge.code);
    const code = charge.code ?? "";
    tell(this.store, charge, {
      type: "return",
      id: `${charge.id}-r`,
      amount: minor(-charge.amount),
      on,
      code,
    });
    tell(this.store, charge, {
      type: "return fee",
      id: `${charge.id}-rf`,
      amount: minor(-RETURN_FEE),
      on,
    });
  }

  refund(ask: RefundAsk): Result<{ refundId: string }> {
    return refunded(this.store, ask);
  }

  refundByKey(key: string): { refundId: string } | null {
    const known = this.store.refundByKey(key);
    return known ? { refundId: known.id } : null;
  }

  leftOf(chargeId: string): Minor | null {
    return leftOfCharge(this.store, chargeId);
  }

  readEvent(sent: SentEvent): Result<ProcessorEvent> {
    return readEvent(this.store, sent);
  }

  activity(account: string, on: Day): ActivityListed | null {
    const text = activityFile(this.store, account, on);
    return text === null ? null : { name: `${account}-${on}.csv`, text };
  }

  dispute(charge: PracticeCharge, on: Day): void {
    openDispute(this.store, charge, on);
  }

  answerDispute({ disputeId, on }: DisputeAnswer): Result<null> {
    return answerDispute(this.store, disputeId, on);
  }
}
