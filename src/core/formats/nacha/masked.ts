import { numbersWrittenOver } from "@/core/gate";

import { ordersWrittenOver } from "../x820";

/** Characters of a record (Nacha file format). */
const WIDTH = 94;
/** What an addenda record says to the payee: places 4 to 83. */
const WORDS = { from: 3, to: 83 };

/**
 * An ACH file with every account number but its last four digits written over, as it may be kept, and
 * so the numbers in its addenda, which are joined as they go on in one another. All places stay.
 */
export function maskedNacha(text: string): string {
  const parts = /[\r\n]/.test(text)
    ? text.split(/(\r\n|\n|\r)/)
    : (text.match(new RegExp(`.{1,${WIDTH}}`, "g")) ?? []);
  const kept = parts.map(withoutAccount);
  for (const run of runsOfAddenda(kept)) {
    const words = run.map((at) => (kept[at] ?? "").slice(WORDS.from, WORDS.to));
    const left = numbersWrittenOver(ordersWrittenOver(words.join("")));
    let from = 0;
    run.forEach((at, nth) => {
      const record = kept[at] ?? "";
      const own = left.slice(from, (from += words[nth]?.length ?? 0));
      kept[at] = record.slice(0, WORDS.from) + own + record.slice(WORDS.to);
    });
  }
  return kept.join("");
}

const overwritten = (part: string): string => {
  const digits = part.replace(/\D/g, "").length;
  let seen = 0;
  return part.replace(/\d/g, (digit) => ((seen += 1) > digits - 4 ? digit : "x"));
};

/** The account of an entry, and what a notice of change corrects. */
const withoutAccount = (record: string): string =>
  record
    .replace(
      /^(6.{11})(.{17})/,
      (_, before: string, number: string) => before + overwritten(number),
    )
    .replace(/^(798.{32})(.{29})/, (_, before: string, data: string) => before + overwritten(data));

/** Where the addenda of one entry stand, one behind the other. */
function runsOfAddenda(parts: readonly string[]): number[][] {
  const runs: number[][] = [];
  let isWithin = false;
  parts.forEach((part, at) => {
    if (/^[\r\n]*$/.test(part)) return;
    const isAddenda = part.startsWith("705");
    if (isAddenda && isWithin) runs.at(-1)?.push(at);
    else if (isAddenda) runs.push([at]);
    isWithin = isAddenda;
  });
  return runs;
}
