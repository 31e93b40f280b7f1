import { ROW_KINDS } from "@/core/activity/index";
import { formatAmount } from "@/core/money";

import type { Answers, Question } from "../types";
import type { ActivityEntry, ActivityRow } from "./processorRows";

/** Kinds that take money and have lines above zero beside others below it: signs are effects, and these bring. */
function against(rows: readonly ActivityRow[]): ReadonlySet<number> {
  const below = new Set(rows.flatMap(({ kind, gross }) => ((gross ?? 0) < 0 ? [kind] : [])));
  return new Set(
    rows.flatMap(({ kind, gross, line }) =>
      kind !== "payout" &&
      kind !== "fee" &&
      ROW_KINDS[kind].lowers &&
      below.has(kind) &&
      (gross ?? 0) > 0
        ? [line]
        : [],
    ),
  );
}

/** Lines that take money by their word and bring it by their sign: which of the two is right. */
export function againstQuestion(rows: readonly ActivityRow[], answers: Answers): Question[] {
  const lines = answers.against === undefined ? against(rows) : new Set<number>();
  const first = rows.find(({ line }) => lines.has(line));
  if (!first) return [];
  const { label } = ROW_KINDS[first.kind];
  const sum = formatAmount(first.gross ?? 0, first.currency);
  return [
    {
      key: "against",
      words: `${lines.size === 1 ? "1 line is a" : `${lines.size} lines are a`} ${label} and ${lines.size === 1 ? "has" : "have"} a sum of the other sign (first line ${first.line}: ${sum}). Which is right?`,
      choices: [
        { answer: "words", result: `the word: line ${first.line} is a ${label} that took ${sum}` },
        { answer: "sums", result: `the sign: line ${first.line} brought ${sum}, as an adjustment` },
      ],
    },
  ];
}

/** The same lines as adjustments, where it was said that their signs are right. */
export function bySign<Entry extends ActivityEntry>(
  entries: readonly Entry[],
  answers: Answers,
): readonly Entry[] {
  if (answers.against !== "sums") return entries;
  const lines = against(entries.map(({ activity }) => activity));
  return entries.map((entry) =>
    lines.has(entry.activity.line)
      ? { ...entry, activity: { ...entry.activity, kind: "adjustment" as const } }
      : entry,
  );
}
