import { formatOf } from "@/core/formats";
import { Random } from "@/practice/random";

import { FORMATS, statementOf } from "../support/statements/write";
import type { Measure } from "./measure";

/**
 * Five minutes of statements in every format, cut at every byte and with bytes changed.
 * `DOZO_FUZZ_SECONDS` says how long.
 */
const SECONDS = Number(process.env.DOZO_FUZZ_SECONDS ?? 300);

export function cuts(): Measure[] {
  const until = Date.now() + SECONDS * 1000;
  const count = { texts: 0, halves: 0, longest: 0 };
  for (let seed = 1; Date.now() < until; seed += 1)
    for (const write of Object.values(FORMATS)) {
      const text = write(statementOf(seed));
      const whole = linesOf(text).lines;
      const random = new Random(seed);
      for (let cut = 0; cut < text.length; cut += 1) {
        const { lines, off, took } = linesOf(text.slice(0, cut));
        count.texts += 1;
        count.longest = Math.max(count.longest, took);
        if (lines !== null && !off && lines !== whole) count.halves += 1;
      }
      for (let round = 0; round < 100; round += 1) {
        const at = random.whole(0, text.length - 1);
        const letter = String.fromCharCode(random.whole(9, 255));
        const { took } = linesOf(`${text.slice(0, at)}${letter}${text.slice(at + 1)}`);
        count.texts += 1;
        count.longest = Math.max(count.longest, took);
      }
    }
  return [
    {
      work: `${count.texts.toLocaleString("en")} statements cut at every byte or changed, of six formats: taken in by half without a word`,
      took: String(count.halves),
      must: "0",
    },
    { work: "the longest of them", took: `${Math.round(count.longest)} ms`, must: "500 ms" },
  ];
}

/** The lines of a text that is of a known format, whether it says that it does not add up, and how long that took. */
function linesOf(text: string): { lines: string | null; off: boolean; took: number } {
  const from = performance.now();
  const table = formatOf(text).read(text);
  const took = performance.now() - from;
  if (!table.ok || table.value.kind === undefined) return { lines: null, off: false, took };
  const { headers, rows, off = null } = table.value;
  const places = ["posted_on", "amount"].map((head) => headers.indexOf(head));
  const lines = rows.map(({ cells }) => places.map((at) => cells[at]).join(" ")).join("\n");
  return { lines, off: off !== null, took };
}
