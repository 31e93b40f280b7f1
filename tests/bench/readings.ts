import { exportOf, judged, type Verdict } from "../support/exports/judge";
import type { Measure } from "./measure";

const HOW_MANY = 10_000;

/** Exports of known histories in any marks, orders and words: how many are right, asked, refused, wrong. */
export function readings(): Measure[] {
  const count: Record<Verdict["is"], number> = { right: 0, asked: 0, refused: 0, wrong: 0 };
  const asked = new Map<string, number>();
  // The tests have the first some hundreds; these are others.
  for (let seed = 100_001; seed <= 100_000 + HOW_MANY; seed += 1) {
    const verdict = judged(exportOf(seed));
    count[verdict.is] += 1;
    if (verdict.is === "wrong") console.error(`wrong: export ${seed}, ${verdict.why}`);
    if (verdict.is === "asked") {
      const [first = ""] = verdict.why.split(" ");
      const [key = ""] = first.split(":");
      asked.set(key, (asked.get(key) ?? 0) + 1);
    }
  }
  const reasons = [...asked].sort((a, b) => b[1] - a[1]).map(([key, times]) => `${key} ${times}`);
  const part = (amount: number): string => `${((100 * amount) / HOW_MANY).toFixed(1)} %`;
  return [
    {
      work: `${HOW_MANY} generated exports of banks, processors and ledgers: right without a question ${part(count.right)}, asked ${part(count.asked)} (${reasons.join(", ")}), refused with its lines ${part(count.refused)}`,
      took: `${count.wrong} wrong without a word`,
      must: "0 wrong, at least 85 % right",
    },
  ];
}
