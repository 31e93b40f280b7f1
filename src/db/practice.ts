import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";
import type { RefundAsk } from "@/core/paying";

import { before, type Days, PracticeBank } from "./practiceBank";
import { type PracticeCharge, type PracticeLine, type PracticeMethod } from "./practiceTables";

const CHARGE = `SELECT id, key, token, account, amount, currency, payer_name AS payerName, payer_email AS payerEmail, reference,
  made_on AS madeOn, state, code, fee, settles_on AS settlesOn, returns_on AS returnsOn, disputed_on AS disputedOn FROM charge`;
const LINE = `SELECT id, account, type, on_day AS onDay, settled_on AS settledOn, amount, payer, email, memo, related,
  span_from AS spanFrom, span_to AS spanTo, code, answer_by AS answerBy, paid_out_on AS paidOutOn, told_on AS toldOn FROM line`;

/** What an account is to be paid out: its sum, and the first and last day of what is in it. */
type DuePayout = { net: Minor; from: Day; to: Day; count: number };

/** The books of the practice world, in a file of their own beside the practice book. */
export class PracticeStore extends PracticeBank {
  method(token: string): PracticeMethod | undefined {
    return this.db.get<PracticeMethod>(
      "SELECT token, way, name, last_four AS lastFour, expires, answer FROM method WHERE token = ?",
      token,
    );
  }

  addMethod(method: PracticeMethod): void {
    this.db.run(
      "INSERT INTO method (token, way, name, last_four, expires, answer) VALUES (?, ?, ?, ?, ?, ?)",
      method.token,
      method.way,
      method.name,
      method.lastFour,
      method.expires,
      method.answer,
    );
  }

  chargeByKey(key: string): PracticeCharge | undefined {
    return this.db.get<PracticeCharge>(`${CHARGE} WHERE key = ?`, key);
  }

  charge(id: string): PracticeCharge | undefined {
    return this.db.get<PracticeCharge>(`${CHARGE} WHERE id = ?`, id);
  }

  nextNo(): number {
    return (
      (this.db.get<{ no: number }>("SELECT coalesce(max(no), 0) + 1 AS no FROM charge")?.no ?? 1) +
      10_000
    );
  }

  addCharge(charge: PracticeCharge): void {
    this.db.run(
      `INSERT INTO charge (id, key, token, account, amount, currency, payer_name, payer_email, reference, made_on, state, code, fee, settles_on, returns_on, disputed_on)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      charge.id,
      charge.key,
      charge.token,
      charge.account,
      charge.amount,
      charge.currency,
      charge.payerName,
      charge.payerEmail,
      charge.reference,
      charge.madeOn,
      charge.state,
      charge.code,
      charge.fee,
      charge.settlesOn,
      charge.returnsOn,
      charge.disputedOn,
    );
  }

  setCharge(id: string, state: PracticeCharge["state"], code: string | null): void {
    this.db.run("UPDATE charge SET state = ?, code = ? WHERE id = ?", state, code, id);
  }

  setFee(id: string, fee: Minor): void {
    this.db.run("UPDATE charge SET fee = ? WHERE id = ?", fee, id);
  }

  /** Counts a code that was typed wrong; gives how many there were. */
  countWrongCode(charge: string): number {
    return (
      this.db.get<{ tries: number }>(
        `INSERT INTO wrong_code (charge, tries) VALUES (?, 1)
         ON CONFLICT (charge) DO UPDATE SET tries = tries + 1 RETURNING tries`,
        charge,
      )?.tries ?? 1
    );
  }

  /** Charges of days before whose owners typed no code. */
  askedBefore(on: Day): PracticeCharge[] {
    return this.charges("state = 'asks_code' AND made_on < ?", on);
  }

  setDisputed(id: string, on: Day): void {
    this.db.run("UPDATE charge SET disputed_on = ? WHERE id = ?", on, id);
  }

  private charges(where: string, ...values: string[]): PracticeCharge[] {
    return this.db.all<PracticeCharge>(`${CHARGE} WHERE ${where} ORDER BY no`, ...values);
  }

  settling(on: Day): PracticeCharge[] {
    return this.charges("state = 'on_way' AND settles_on <= ?", on);
  }

  returning(on: Day): PracticeCharge[] {
    return this.charges("returns_on <= ? AND state IN ('on_way', 'settled')", on);
  }

  disputable(on: Day): PracticeCharge[] {
    return this.charges(
      "account = 'card' AND made_on = ? AND state = 'approved' AND disputed_on IS NULL",
      on,
    );
  }

  /** Charges that were disputed, the first first. */
  disputed(): PracticeCharge[] {
    return this.charges("disputed_on IS NOT NULL");
  }

  refundByKey(key: string): { id: string; charge: string; amount: Minor } | undefined {
    return this.db.get("SELECT id, charge, amount FROM refund WHERE key = ?", key);
  }

  refundsOf(charge: string): { id: string; amount: Minor }[] {
    return this.db.all("SELECT id, amount FROM refund WHERE charge = ?", charge);
  }

  addRefund(id: string, { key, chargeId, amount }: RefundAsk): void {
    const into = "INSERT INTO refund (id, key, charge, amount) VALUES (?, ?, ?, ?)";
    this.db.run(into, id, key, chargeId, amount);
  }

  addLine(line: PracticeLine): void {
    this.db.run(
      `INSERT INTO line (id, account, type, on_day, settled_on, amount, payer, email, memo, related, span_from, span_to, code, answer_by, paid_out_on, told_on)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      line.id,
      line.account,
      line.type,
      line.onDay,
      line.settledOn,
      line.amount,
      line.payer,
      line.email,
      line.memo,
      line.related,
      line.spanFrom,
      line.spanTo,
      line.code,
      line.answerBy,
      line.paidOutOn,
      line.toldOn,
    );
  }

  /** What was told of an account, in the order in which it happened. */
  told(account: string, days: Days): PracticeLine[] {
    return this.db.all<PracticeLine>(
      `${LINE} WHERE told_on > ? AND told_on <= ? AND account = ? ORDER BY no`,
      before(days),
      days.to,
      account,
    );
  }

  /** What was kept back as a reserve by a day, and not before the week that ends with it. */
  heldBack(by: Day): PracticeLine[] {
    return this.db.all<PracticeLine>(
      `${LINE} WHERE type = 'reserve hold' AND told_on <= ? AND told_on > date(?, '-7 days') ORDER BY no`,
      by,
      by,
    );
  }

  /** What an account pays out on a day and has not: its sum and the days that it covers. */
  duePayout(account: string, on: Day): DuePayout | undefined {
    const found = this.db.get<DuePayout>(
      `SELECT coalesce(sum(amount), 0) AS net, min(settled_on) AS "from", max(settled_on) AS "to", count(*) AS count
       FROM line WHERE account = ? AND paid_out_on <= ? AND payout IS NULL`,
      account,
      on,
    );
    return found && found.count > 0 ? found : undefined;
  }

  payOut(account: string, on: Day, payout: string): void {
    this.db.run(
      "UPDATE line SET payout = ? WHERE account = ? AND paid_out_on <= ? AND payout IS NULL",
      payout,
      account,
      on,
    );
  }

  /** The line of a payout itself. */
  payoutLine(id: string): PracticeLine | undefined {
    return this.db.get<PracticeLine>(`${LINE} WHERE id = ? AND type = 'payout'`, id);
  }

  /** What was in a payout is due once more, from a day on. */
  dueAgain(payout: string, on: Day): void {
    this.db.run("UPDATE line SET payout = NULL, paid_out_on = ? WHERE payout = ?", on, payout);
  }

  /** What the processor still holds of an account: told, and not in a payout. */
  held(account: string): Minor {
    return (
      this.db.get<{ sum: Minor }>(
        "SELECT coalesce(sum(amount), 0) AS sum FROM line WHERE account = ? AND paid_out_on IS NOT NULL AND payout IS NULL",
        account,
      )?.sum ?? (0 as Minor)
    );
  }
}
