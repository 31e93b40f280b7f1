import type { Day } from "@/core/calendar";
import type { PracticeStore } from "@/db/practice";
import type { PracticeAdvice } from "@/db/practiceBank";
import { sumOf } from "@/core/money";

import { sum } from "./csv";

const ENDS = "~\n";
const compact = (on: Day): string => on.replaceAll("-", "");

/** What the day's payments are for, as payment orders with remittance advice (ASC X12 820); null where nothing came. */
export function adviceFile(store: PracticeStore, on: Day): string | null {
  const advices = store.advices(on);
  if (advices.length === 0) return null;
  const day = compact(on);
  const segments = [
    `ISA*00*          *00*          *ZZ*PRACTICE BANK  *ZZ*KESTREL ROW    *${day.slice(2)}*0600*U*00401*000000001*0*P*>`,
    `GS*RA*PRACTICE BANK*KESTREL ROW*${day}*0600*1*X*004010`,
    ...advices.flatMap((advice, at) => orderOf(advice, at, day)),
    `GE*${advices.length}*1`,
    "IEA*1*000000001",
  ];
  return `${segments.join(ENDS)}${ENDS}`;
}

function orderOf({ trace, payer, lines }: PracticeAdvice, at: number, day: string): string[] {
  const no = String(at + 1).padStart(4, "0");
  const total = sum(sumOf(lines, ({ amount }) => amount));
  const body = [
    // The sixth to the fifteenth element are the accounts, which nobody is told.
    ["BPR", "C", total, "C", "ACH", "CTX", ...Array<string>(10).fill(""), day].join("*"),
    `TRN*1*${trace}`,
    `N1*PR*${payer}`,
    "ENT*1",
    ...lines.map(({ number, amount }) => `RMR*IV*${number}**${sum(amount)}*${sum(amount)}`),
  ];
  return [`ST*820*${no}`, ...body, `SE*${body.length + 2}*${no}`];
}
