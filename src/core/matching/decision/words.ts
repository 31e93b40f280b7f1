import { formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import type { Reason } from "../types";

/** Whether a reason speaks against the reading it stands with. */
export function speaksAgainst(reason: Reason): boolean {
  return reason.code.startsWith("against") || (reason.code === "discount" && !reason.inTime);
}

/** A reason in the few words a clerk would use. */
export function reasonInWords(reason: Reason, currency: Currency): string {
  switch (reason.code) {
    case "numbers": {
      const how = {
        whole: "",
        digits: ", without its prefix or zeros",
        near: ", nearly: a digit is off or cut",
      }[reason.how];
      return reason.numbers.length === 1
        ? `${reason.numbers[0]} is in the memo${how}`
        : `${reason.numbers.length} numbers in the memo${how}`;
    }
    case "po":
      return `order ${reason.number} is in the memo`;
    case "sum_one":
      return `the exact sum of ${reason.number}`;
    case "sum_several":
      return `the exact sum of ${reason.count} items`;
    case "sum_all_open":
      return `the exact sum of all ${reason.count} open items`;
    case "sum_of_quoted":
      return reason.count === 1 ? "exact sum" : "together the exact sum";
    case "discount":
      return `less the discount of ${formatAmount(reason.sum, currency)}${reason.inTime ? "" : ", taken too late"}`;
    case "surcharge":
      return `with the surcharge of ${formatAmount(reason.sum, currency)} (${reason.percent} %) on top`;
    case "email":
      return "the customer's e-mail address";
    case "domain":
      return `e-mail at the customer's own domain, ${reason.domain}`;
    case "name":
      return reason.exact ? "the customer's name" : "a name much like the customer's";
    case "paid_before":
      return reason.times === 1
        ? "this payer paid once before for this customer"
        : `this payer paid ${reason.times} times before for this customer`;
    case "group":
      return "pays for sites of its group";
    case "equal_items":
      return `oldest of ${reason.count} items of this sum`;
    case "credit_note":
      return reason.numbers.length === 1
        ? `credit note ${reason.numbers[0]} taken off`
        : `${reason.numbers.length} credit notes taken off`;
    case "mended":
      return "one number of the list is off, the sum tells which";
    case "sums_beside":
      return reason.count === 1
        ? "the sum written beside the number"
        : "the sums written beside the numbers come out";
    case "left_out":
      return `the words leave out ${reason.numbers.join(", ")}`;
    case "remittance":
      return "its remittance advice says so";
    case "on_account":
      return `short by just the ${formatAmount(reason.sum, currency)} that stand on account`;
    case "habit":
      return reason.how === "several"
        ? "usually pays several at once"
        : "usually pays one at a time";
    case "usual_day":
      return reason.late === 0
        ? "on its due day, as usual"
        : `${Math.abs(reason.late)} days ${reason.late > 0 ? "late" : "early"}, as usual`;
    default:
      return againstInWords(reason, currency);
  }
}

type Against = Extract<Reason, { code: `against_${string}` }>;

/** What speaks against a reading, in words. */
function againstInWords(reason: Against, currency: Currency): string {
  switch (reason.code) {
    case "against_unread":
      return `nothing explains ${reason.spots.map(({ text }) => text).join(", ")} in the memo`;
    case "against_other_reading":
      return reason.count === 1
        ? "another reading is near"
        : `${reason.count} other readings are near`;
    case "against_payer":
      return "the payer is somebody else";
    case "against_number":
      return `the memo names ${reason.spots.map(({ text }) => text).join(", ")} of somebody else`;
    case "against_closed":
      return `the memo names ${reason.spots.map(({ text }) => text).join(", ")}, settled already`;
    case "against_short":
      return `short by ${formatAmount(reason.by, currency)}`;
    case "against_over":
      return `${formatAmount(reason.by, currency)} more than that`;
    case "against_double":
      return `the same sum came on ${formatDay(reason.paidOn)}: paid twice?`;
    case "against_currency":
      return "the invoice is in another currency";
    case "against_also":
      return `the same sum came on ${formatDay(reason.paidOn)} too, and may be for this`;
    case "against_claimed":
      return "another receipt fits the first choice better";
    default:
      throw reason satisfies never;
  }
}
