import { plainWords } from "@/core/formats";

/**
 * Words of a statement's lines that say which way the money went, whatever its sum's sign: nobody's
 * payroll comes in, no deposit goes out (common practice, no source).
 */
const OUT =
  /\b(payroll|service charge|bank fee|account fee|monthly fee|maintenance fee|atm withdrawal|cash withdrawal|withdrawal|rent|purchase|pos|loan payment|tax payment|utilities|insurance|supplies|wire out|outgoing wire|ach debit|miete|gehalt|lohn|loyer|salaires|alquiler|nomina)\b/;
const IN =
  /\b(deposit|remote deposit|interest paid|interest credit|payout|ach credit|wire in|incoming wire|wire transfer in|lockbox|bankcard dep|merchant dep|payment thank you|payment received|gutschrift|zahlungseingang|virement recu|ingreso|transferencia recibida)\b/;
/** What turns the words round: a payroll that came back. */
const TURNED =
  /\b(reversal|reversed|returned|return|refund|correction|chargeback|stop|storno|rejected)\b/;

/** 1 for money in, -1 for money out; null where the words do not say it, or say both. */
export function likelyWay(description: string): 1 | -1 | null {
  const words = plainWords(description);
  if (TURNED.test(words)) return null;
  const [comesIn, goesOut] = [IN.test(words), OUT.test(words)];
  if (comesIn === goesOut) return null;
  return comesIn ? 1 : -1;
}
