import { addBankingDays, addDays, type Day } from "@/core/calendar";
import { type ChargeAnswer, isDeclineCode, type KeptMethod } from "@/core/paying";
import { returnableUntil, returnCodeOf } from "@/core/receipts";
import type { PracticeCharge, PracticeMethod } from "@/db/practiceTables";

/** What the processor takes for a debit that comes back, and for a dispute, in cents. */
export const RETURN_FEE = 400;
export const DISPUTE_FEE = 1500;

/** The code that every bank of the practice world sends, and how it says so. */
export const PRACTICE_CODE = "246810";
const CODE_SAYS = `Practice bank: the code is ${PRACTICE_CODE}.`;

/** What the processor says of a charge that it has. */
export function answerOf(charge: PracticeCharge): ChargeAnswer {
  const { id: chargeId, fee, code } = charge;
  if (charge.state === "declined")
    return {
      state: "declined",
      chargeId,
      code: code !== null && isDeclineCode(code) ? code : "05",
    };
  if (charge.state === "asks_code") return { state: "asks_code", chargeId, says: CODE_SAYS };
  return charge.settlesOn === null
    ? { state: "approved", chargeId, fee }
    : { state: "on_way", chargeId, settlesOn: charge.settlesOn };
}

/** When a debit comes back: the day after it settles, or weeks later where the payer's bank has so long. */
export function returnsOn(code: string, settlesOn: Day): Day {
  const within = returnCodeOf(code)?.within ?? { bankingDays: 2 };
  if ("calendarDays" in within) return addBankingDays(addDays(settlesOn, 20), 0);
  const soon = addBankingDays(settlesOn, 1);
  const last = returnableUntil(code, settlesOn);
  return soon < last ? soon : last;
}

/** Notices of change: their codes, and what is told to be mended (Nacha Operating Rules; from memory). */
export const CHANGES: Readonly<Record<string, string>> = {
  C01: "account number",
  C02: "routing number",
  C05: "kind of account",
};

/** What the bank of an account answers, by its last two digits; empty: all is well. */
export function answerOfAccount(account: string): string {
  const [tens, ones] = account.trim().slice(-2);
  const [code, change] = [`R${tens}${ones}`, `C0${ones}`];
  if (returnCodeOf(code)) return code;
  return tens === "8" && change in CHANGES ? change : "";
}

/** What may be known of a card or account that the processor has. */
export function faceOf(method: PracticeMethod | undefined, proven: boolean): KeptMethod | null {
  if (!method) return null;
  const { token, way, name, lastFour, expires } = method;
  return { token, way, name, lastFour, expires, proven };
}
