import type { Day } from "@/core/calendar";
import { readTable } from "@/core/formats";
import type { Currency } from "@/core/money";
import { columnsOfFile, understand } from "@/core/readings";

import type { Truth } from "../support/exports/export";
import { exportOf, judged, twistedOf, type Verdict } from "../support/exports/judge";
import type { Measure } from "./measure";

const HOW_MANY = 10_000;

/** Exports of known histories in any marks, orders and words: how many are right, asked, refused, wrong. */
export function readings(): Measure[] {
  return [
    understanding(),
    generated(exportOf, {
      words: "generated exports of banks, processors and ledgers",
      must: "0 wrong, at least 85 % right",
    }),
    generated(twistedOf, {
      words: "of them with columns, headings and lines beside theirs that change what they say",
      must: "0 wrong",
    }),
  ];
}

/** A long file of activity, from its text to the agreed layout. */
function understanding(): Measure {
  const table = readTable(activity(LINES));
  if (!table.ok) throw new Error(table.error.code);
  const from = performance.now();
  const read = understand(
    {
      table: table.value,
      kind: "processor",
      columns: columnsOfFile(table.value, "processor"),
      answers: {},
    },
    {
      today: "2026-11-28" as Day,
      cutOverOn: null,
      currency: "USD" as Currency,
      timeZone: "America/Chicago",
    },
  );
  if (read.questions.length > 0 || read.table.rows.length !== LINES) throw new Error("misread");
  const took = (performance.now() - from) / 1000;
  const memory = Math.round(process.memoryUsage().heapUsed / 1e6);
  return {
    work: `Understanding ${LINES} processor lines, with everything that their sums prove`,
    took: `${took.toFixed(1)} s, ${memory} MB`,
    must: "6 s",
  };
}

const LINES = 200_000;
const HEAD = "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id";

const activity = (lines: number): string =>
  [
    HEAD,
    ...Array.from({ length: lines }, (_, at) => {
      const refund = at % 20 === 0;
      const sum = (100.5 + (at % 900)) * (refund ? -1 : 1);
      const day = `2026-${String(1 + (at % 10)).padStart(2, "0")}-${String(1 + (at % 28)).padStart(2, "0")}`;
      return `ch_${at},${refund ? "Refund" : "Charge"},${day},${sum.toFixed(2)},3.20,${(sum - 3.2).toFixed(2)},Alder Lane,office@alder.example,memo ${at},po_${at % 100}`;
    }),
  ].join("\n");

type Said = { readonly words: string; readonly must: string };

function generated(make: (seed: number) => Truth, { words, must }: Said): Measure {
  const count: Record<Verdict["is"], number> = { right: 0, asked: 0, refused: 0, wrong: 0 };
  const asked = new Map<string, number>();
  // The tests have the first some hundreds; these are others.
  for (let seed = 100_001; seed <= 100_000 + HOW_MANY; seed += 1) {
    const verdict = judged(make(seed));
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
  return {
    work: `${HOW_MANY} ${words}: right without a question ${part(count.right)}, asked ${part(count.asked)} (${reasons.join(", ")}), refused with its lines ${part(count.refused)}`,
    took: `${count.wrong} wrong without a word`,
    must,
  };
}
