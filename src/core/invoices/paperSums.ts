import { type Currency, formatAmount, type Minor } from "@/core/money";

import type { Instalment } from "./instalments";
import { partNumber } from "./numbering";
import type { PaperWords } from "./paperWords";

/** What the sums of a paper are made of; minor units. */
type SumFacts = {
  readonly currency: Currency;
  readonly discount: Minor;
  readonly charges: readonly { readonly words: string; readonly sum: Minor }[];
  readonly taxIncluded: boolean;
  readonly taxes: readonly {
    readonly code: string;
    readonly percent: string;
    readonly net: Minor;
    readonly sum: Minor;
  }[];
};

/** What stands between the lines of a paper and its total: discount, charges, tax by code. */
export function paperSums(
  { currency, discount, charges, taxes, taxIncluded }: SumFacts,
  said: PaperWords,
): { words: string; sum: number }[] {
  return [
    ...(discount === 0 ? [] : [{ words: said.discount, sum: -discount }]),
    ...charges.map(({ words, sum }) => ({ words, sum })),
    ...taxes
      .filter(({ code }) => code !== "")
      .map(({ code, percent, net, sum }) => ({
        words: `${code} ${percent} % ${taxIncluded ? said.within : `${said.on} ${formatAmount(net, currency)}`}`,
        sum,
      })),
  ];
}

type Parted = { readonly number: string | null; readonly parts?: readonly Instalment[] };

/** What of a paper falls due when, each part under its own number; `dayWords` writes a day as papers do. */
export const paperParts = (
  { number, parts = [] }: Parted,
  dayWords: (of: Instalment["dueOn"]) => string,
): { words: string; sum: number }[] =>
  parts.map(({ dueOn, sum }, at) => ({
    words: `${number === null ? "" : `${partNumber(number, at)}, `}${dayWords(dueOn)}`,
    sum,
  }));
