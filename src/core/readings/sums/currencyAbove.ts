import type { Table } from "@/core/formats";
import { type Currency, currencyOf } from "@/core/money";

/** What says of which currency a list is, in six languages, and the code behind it. */
const SAID =
  /\b(?:currency|currencies|ccy|all (?:amounts|figures|values|sums) (?:are )?in|(?:amounts|figures|values|sums) (?:are )?in|w[äa]hrung|devise|moneda|divisa|valuta|munt|moeda)\b[\s:=,;|–-]*\(?([A-Za-z]{3})\b/i;

/** The currency that the lines above the head of a list name; undefined where none or several do. */
export function currencyAbove({ above = [] }: Table): Currency | undefined {
  const named = above.flatMap(
    (line) => currencyOf((SAID.exec(line)?.[1] ?? "").toUpperCase()) ?? [],
  );
  return new Set(named).size === 1 ? named[0] : undefined;
}
