import { randomBytes } from "node:crypto";

import { addBankingDays, type Day } from "@/core/calendar";
import { minor, type Minor, sumOf } from "@/core/money";
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

import { answerOf, answerOfAccount, faceOf, returnsOn } from "./answers";
import { approve, ASKS_CODE, letGo, takeCode } from "./codes";
import { comeBack, settle } from "./debits";
import { answerDispute, decideDisputes, openDispute } from "./disputes";
import { readEvent } from "./events";
import { activityFile } from "./files";
import { payOut, takeBackRefused } from "./payouts";
import { OF_SMALL_SUMS, proveBySums, sendSmallSums } from "./proofs";
import { giveBack } from "./reserves";
import { leftOfCharge, refunded } from "./refunds";
import { tell } from "./telling";
import { accountFor, accountsOf, feeOf, termsOf } from "./terms";

/** Banking days until a debit settles (common practice, no source). */
const DEBIT_DAYS = 3;

/**
 * The practice processor: takes cards and bank accounts for tokens, approves, declines, settles,
 * returns, disputes, pays out, and tells of it as real ones do. A card whose two digits before the
 * last are a response code of ISO 8583 that declines (05, 14, 41, 43, 51, 54, 57, 61, 82, 91)
 * is answered by it, and one with 65 by a bank that asks for a code; an account whose last two digits
 * are the number of a return code (01 for R01) comes back by it, and one with 81, 82 or 85 is taken
 * with a notice of change (C01, C02, C05). Numbers are looked at and let go: what is kept is a token.
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
    const kept = { way: "card" as const, name: brand, lastFour, expires, proven: false };
    return ok(this.kept(kept, isDeclineCode(code) ? code : ""));
  }

  /** `proven`: its bank has said that it is the payer's. */
  takeAccount(typed: TypedAccount, proven = false): Result<KeptMethod> {
    const face = accountFace(typed);
    if (!face.ok) return face;
    const answer = answerOfAccount(typed.account);
    const { bankName, lastFour } = face.value;
    const kept = { way: "bank" as const, name: bankName, lastFour, expires: null, proven };
    return ok(this.kept(kept, answer));
  }

  private kept(method: Omit<KeptMethod, "token">, answer: string): KeptMethod {
    const token = `${method.way}_${randomBytes(18).toString("hex")}`;
    const { proven, ...face } = method;
    this.store.addMethod({ token, ...face, answer });
    if (proven) this.store.setProven(token);
    return { token, ...method };
  }

  method(token: string): KeptMethod | null {
    return faceOf(this.store.method(token), this.store.isProven(token));
  }

  readonly ofSmallSums = OF_SMALL_SUMS;

  sendSmallSums(token: string, on: Day): Result<{ thereOn: Day }> {
    return sendSmallSums(this.store, token, on);
  }

  proveBySums(token: string, sums: readonly Minor[]): Result<null> {
    return proveBySums(this.store, token, sums);
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
    const waits = { code: null, fee: minor(0), settlesOn: null, returnsOn: null };
    const account = accountFor(this.store, "card", ask.currency);
    // Who is not there types no code: then its bank declines.
    if (answer === ASKS_CODE && ask.present)
      return this.made(ask, account, { ...waits, state: "asks_code" });
    if (answer !== "")
      return this.made(ask, account, { ...waits, state: "declined", code: answer });
    const made = this.made(ask, account, {
      ...waits,
      state: "approved",
      fee: feeOf(termsOf(this.store, account), ask.amount),
    });
    approve(this.store, made, ask.on);
    return made;
  }

  /** Takes the code that a payer typed for a charge whose bank asks for one; null: it gives up. */
  takeCode(charge: string, code: string | null): Result<ChargeAnswer> {
    const known = this.store.charge(charge);
    if (!known) return fail("method.gone");
    if (code !== null) return takeCode(this.store, { charge, code });
    letGo(this.store, known);
    return ok(answerOf(this.store.charge(charge) ?? known));
  }

  private byDebit(ask: ChargeAsk, answer: string): PracticeCharge {
    const settlesOn = addBankingDays(ask.on, DEBIT_DAYS);
    const account = accountFor(this.store, "ach", ask.currency);
    const made = this.made(ask, account, {
      state: "on_way",
      code: null,
      fee: feeOf(termsOf(this.store, account), ask.amount),
      settlesOn,
      returnsOn: returnCodeOf(answer) ? returnsOn(answer, settlesOn) : null,
    });
    if (answer !== "") this.store.setCharge(made.id, "on_way", answer);
    tell(this.store, made, {
      type: "ach debit, pending",
      id: made.id,
      amount: made.amount,
      on: ask.on,
      movesNothing: true,
    });
    return made;
  }

  private made(
    ask: ChargeAsk,
    account: string,
    fate: Pick<PracticeCharge, "state" | "code" | "fee" | "settlesOn" | "returnsOn">,
  ): PracticeCharge {
    const { key, token, amount, currency, payerName, payerEmail, reference } = ask;
    const charge: PracticeCharge = {
      id: `${fate.settlesOn === null ? "pc" : "pd"}_${this.store.nextNo()}`,
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
      for (const charge of this.store.askedBefore(on)) letGo(this.store, charge);
      const returning = this.store.returning(on);
      for (const charge of returning) comeBack(this.store, charge, on);
      const settling = this.store.settling(on);
      for (const charge of settling) settle(this.store, charge, on);
      const decided = decideDisputes(this.store, on);
      const released = giveBack(this.store, on);
      const accounts = accountsOf(this.store);
      const failed = accounts.map((account) => takeBackRefused(this.store, account, on));
      const payouts = sumOf(accounts, (account) => payOut(this.store, account, on));
      const came = { settled: settling.length, returned: returning.length, payouts };
      const payouts_failed = failed.reduce((sum, count) => sum + count, 0);
      return {
        ...came,
        released,
        payouts_failed,
        disputes_won: decided.won,
        disputes_lost: decided.lost,
      };
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
