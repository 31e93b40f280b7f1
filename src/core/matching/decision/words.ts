import { formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import type { Reason, Spot } from "../types";

/** Whether a reason speaks against the reading it stands with. */
export function speaksAgainst(reason: Reason): boolean {
  return reason.code.startsWith("against") || (reason.code === "discount" && !reason.inTime);
}

type ReasonOf<Code extends Reason["code"]> = Extract<Reason, { code: Code }>;
type WordsOf<Code extends Reason["code"]> = (reason: ReasonOf<Code>, currency: Currency) => string;

const HOW_READ = {
  whole: "",
  digits: ", without its prefix or zeros",
  near: ", nearly: a digit is off or cut",
};
const texts = (spots: readonly Spot[]): string => spots.map(({ text }) => text).join(", ");

/** What each reason says, in the few words a clerk would use. */
const WORDS: { [Code in Reason["code"]]: WordsOf<Code> } = {
  numbers: ({ numbers, how }) =>
    numbers.length === 1
      ? `${numbers[0]} is in the memo${HOW_READ[how]}`
      : `${numbers.length} numbers in the memo${HOW_READ[how]}`,
  po: ({ number }) => `order ${number} is in the memo`,
  sum_one: ({ number }) => `the exact sum of ${number}`,
  sum_several: ({ count }) => `the exact sum of ${count} items`,
  sum_all_open: ({ count }) => `the exact sum of all ${count} open items`,
  sum_of_quoted: ({ count }) => (count === 1 ? "exact sum" : "together the exact sum"),
  discount: ({ sum, inTime }, currency) =>
    inTime
      ? `less the discount of ${formatAmount(sum, currency)}`
      : `short by the discount of ${formatAmount(sum, currency)}, taken too late: it stays open`,
  discount_allowed: ({ sum }, currency) =>
    `with the late discount of ${formatAmount(sum, currency)} allowed`,
  surcharge: ({ sum, percent }, currency) =>
    `with the surcharge of ${formatAmount(sum, currency)} (${percent} %) on top`,
  statement: ({ until, count }) =>
    until === null
      ? `a statement's sum: ${count} items`
      : `the statement up to ${formatDay(until)}: ${count} items`,
  oldest_first: () => "the words say the oldest first",
  fee: ({ by }, currency) => `short by ${formatAmount(by, currency)}, as a bank's fee`,
  claim: ({ by }, currency) =>
    `less the ${formatAmount(by, currency)} that the words name, which stay open`,
  rest_next: () => "the rest of one and all of the next, as the words say",
  rounded: ({ by }, currency) => `rounded up by ${formatAmount(by, currency)}`,
  email: () => "the customer's e-mail address",
  domain: ({ domain }) => `e-mail at the customer's own domain, ${domain}`,
  name: ({ exact }) => (exact ? "the customer's name" : "a name much like the customer's"),
  paid_before: ({ times }) =>
    times === 1
      ? "this payer paid once before for this customer"
      : `this payer paid ${times} times before for this customer`,
  group: () => "pays for sites of its group",
  equal_items: ({ count }) => `oldest of ${count} items of this sum`,
  credit_note: ({ numbers }) =>
    numbers.length === 1
      ? `credit note ${numbers[0]} taken off`
      : `${numbers.length} credit notes taken off`,
  mended: () => "one number of the list is off, the sum tells which",
  sums_beside: ({ count }) =>
    count === 1
      ? "the sum written beside the number"
      : "the sums written beside the numbers come out",
  left_out: ({ numbers }) => `the words leave out ${numbers.join(", ")}`,
  remittance: () => "its remittance advice says so",
  on_account: ({ sum }, currency) =>
    `short by just the ${formatAmount(sum, currency)} that stand on account`,
  habit: ({ how }) =>
    how === "several" ? "usually pays several at once" : "usually pays one at a time",
  usual_day: ({ late }) =>
    late === 0
      ? "on its due day, as usual"
      : `${Math.abs(late)} days ${late > 0 ? "late" : "early"}, as usual`,
  against_unread: ({ spots }) => `nothing explains ${texts(spots)} in the memo`,
  against_other_reading: ({ count }) =>
    count === 1 ? "another reading is near" : `${count} other readings are near`,
  against_payer: () => "the payer is somebody else",
  against_number: ({ spots }) => `the memo names ${texts(spots)} of somebody else`,
  against_closed: ({ spots }) => `the memo names ${texts(spots)}, settled already`,
  against_short: ({ by }, currency) => `short by ${formatAmount(by, currency)}`,
  against_over: ({ by }, currency) => `${formatAmount(by, currency)} more than that`,
  against_double: ({ paidOn }) => `the same sum came on ${formatDay(paidOn)}: paid twice?`,
  against_currency: () => "the invoice is in another currency",
  against_also: ({ paidOn }) =>
    `the same sum came on ${formatDay(paidOn)} too, and may be for this`,
  against_risk: ({ certain }) =>
    `such are right in about ${Math.floor(certain * 1000) / 10} of 100 cases, and this book asks for more`,
  against_claimed: () => "another receipt fits the first choice better",
};

/** A reason in the few words a clerk would use. */
export const reasonInWords = (reason: Reason, currency: Currency): string =>
  (WORDS[reason.code] as WordsOf<Reason["code"]>)(reason, currency);
