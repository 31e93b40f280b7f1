import { plainWords } from "@/core/formats";

/** Heads of what a customer pays on top of a price, in six languages (common practice, no source). */
const ON_TOP =
  /\b(tips?|gratuity|gratuities|trinkgeld|pourboire|propina|tax|taxes|vat|gst|hst|pst|mwst|ust|tva|iva|btw|shipping|freight|postage|delivery|versand|livraison|envio)\b/;
/** Heads of what something costs the one who is paid: a tax on that is a cost too. */
const COST =
  /\b(fees?|costs?|charges?|commissions?|expenses?|deductions?|deducted|gebuhr(?:en)?|entgelte?|kosten|frais|comision(?:es)?|commissioni?|discount rate|interchange|assessments?|mark ?up)\b/;

/** What a processor keeps back of a charge: it comes later (common practice, no source). */
const HELD =
  /\b(?:held|hold|holds|holdback|withheld|withholding|reserved?|reserves|retained|retention|retainage|rolling)\b/;
/** What else is taken off a payment, and is no cost of it: what was lent, given, or owed to others. */
const TAKEN_OFF =
  /\b(?:loans?|advances?|financing|capital|repay\w*|garnish\w*|lev(?:y|ies)|donations?|gifts?|adjust\w*|credits?|discounts?|coupons?|promo\w*|chargebacks?|disputes?|refund\w*|returns?)\b/;

/** Whether a head is of what is kept back for a time. */
export const isHeld = (head: string): boolean => HELD.test(plainWords(head));

/** Whether what lies between two sums by this head is something else than a fee: that is asked about. */
export const isNoFee = (head: string): boolean =>
  isHeld(head) || (TAKEN_OFF.test(plainWords(head)) && !isCost(head));

/** Fields that the costs of a payment are added up from. */
export const COST_FIELDS = ["fee", "fee2", "feeTax"] as const;

export const isCost = (head: string): boolean => COST.test(plainWords(head));

/** Whether what lies between two sums by this head is no fee: a tip, a tax, what it costs to send. */
export const isOnTop = (head: string): boolean =>
  ON_TOP.test(plainWords(head)) && !COST.test(plainWords(head));
