import { plainWords } from "@/core/formats";

/** Heads of what a customer pays on top of a price, in six languages (common practice, no source). */
const ON_TOP =
  /\b(tips?|gratuity|gratuities|trinkgeld|pourboire|propina|tax|taxes|vat|gst|hst|pst|mwst|ust|tva|iva|btw|shipping|freight|postage|delivery|versand|livraison|envio)\b/;
/** Heads of what something costs the one who is paid: a tax on that is a cost too. */
const COST =
  /\b(fees?|costs?|charges?|commissions?|expenses?|deductions?|deducted|gebuhr(?:en)?|entgelte?|kosten|frais|comision(?:es)?|commissioni?|discount rate)\b/;

/** Fields that the costs of a payment are added up from. */
export const COST_FIELDS = ["fee", "fee2", "feeTax"] as const;

export const isCost = (head: string): boolean => COST.test(plainWords(head));

/** Whether what lies between two sums by this head is no fee: a tip, a tax, what it costs to send. */
export const isOnTop = (head: string): boolean =>
  ON_TOP.test(plainWords(head)) && !COST.test(plainWords(head));
