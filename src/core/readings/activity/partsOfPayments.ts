import { ROW_KINDS } from "@/core/activity/index";
import { formatAmount, minor, sumOf } from "@/core/money";

import { type Cells, isAgreedLayout } from "../cells";
import { groupedBy } from "../grouped";
import type { LeftOut, Question } from "../types";
import { type ActivityEntry, bringsFeeBack } from "./processorRows";

type Joined = {
  readonly entries: readonly ActivityEntry[];
  readonly leftOut: readonly LeftOut[];
  readonly questions: readonly Question[];
};

/**
 * A list that gives a line for each part of a payment: its price, its tax, its shipping, what the shop
 * keeps of it. Lines of one id and kind with different sums are asked about, and are one payment then:
 * what goes its way is its gross, what goes the other way its fee, and both together its net.
 */
export function joinedParts(cells: Cells, entries: readonly ActivityEntry[]): Joined {
  const { answers } = cells.file;
  const ids = new Set(entries.map(({ activity }) => activity.id));
  if (ids.size === entries.length || isAgreedLayout(cells))
    return { entries, leftOut: [], questions: [] };
  const groups = [...groupedBy(entries, keyOf).values()].filter(areParts);
  if (groups.length === 0 || answers.parts === "apart")
    return { entries, leftOut: [], questions: [] };
  if (answers.parts !== "sum") return { entries, leftOut: [], questions: [partsQuestion(groups)] };
  const wholes = new Map(groups.map((group) => [group[0]?.row.line, joined(group)]));
  const leftOut = groups.flatMap((group) =>
    group.slice(1).map(({ row }) => ({ line: row.line, why: "same_payment" as const })),
  );
  const out = new Set(leftOut.map(({ line }) => line));
  return {
    entries: entries
      .filter(({ row }) => !out.has(row.line))
      .map((entry) => wholes.get(entry.row.line) ?? entry),
    leftOut,
    questions: [],
  };
}

/** Parts are of one payout too: what is told in another is another line. */
function keyOf({ activity }: ActivityEntry): string | null {
  const { id, kind, currency, payoutId } = activity;
  if (id === "" || kind === "payout" || bringsFeeBack(activity)) return null;
  return `${kind}\n${currency}\n${id}\n${payoutId}`;
}

/** Parts have nothing but their sums, of which no two need be alike; a line that is told twice has one. */
const areParts = (group: readonly ActivityEntry[]): boolean =>
  group.length > 1 &&
  group.every(
    ({ activity: { gross, fee, net } }) => gross !== null && fee === null && net === null,
  ) &&
  new Set(group.map(({ activity }) => activity.gross)).size > 1 &&
  mainOf(group).length > 0;

/** The parts that go the way of their kind: what a charge brings, what a refund takes. */
function mainOf(group: readonly ActivityEntry[]): readonly ActivityEntry[] {
  const sums = group.map(({ activity }) => activity.gross ?? 0);
  if (!sums.some((sum) => sum < 0) || !sums.some((sum) => sum > 0)) return group;
  return group.filter(
    ({ activity: { gross, kind } }) => (gross ?? 0) < 0 === ROW_KINDS[kind].lowers,
  );
}

function joined(group: readonly ActivityEntry[]): ActivityEntry {
  const [first] = group as readonly [ActivityEntry, ...ActivityEntry[]];
  const sum = (parts: readonly ActivityEntry[]) =>
    sumOf(parts, ({ activity }) => activity.gross ?? minor(0));
  const [gross, net] = [sum(mainOf(group)), sum(group)];
  return { ...first, activity: { ...first.activity, gross, net, fee: minor(gross - net) } };
}

function partsQuestion(groups: readonly (readonly ActivityEntry[])[]): Question {
  const [group] = groups as readonly [readonly ActivityEntry[]];
  const { activity } = joined(group);
  const shown = (sum: number | null): string => formatAmount(sum ?? 0, activity.currency);
  const sums = group.map((entry) => shown(entry.activity.gross)).join(", ");
  const others = groups.length > 1 ? `, and ${groups.length - 1} more like it` : "";
  const cost = activity.fee ? ` and costs ${shown(activity.fee)}` : "";
  return {
    key: "parts",
    words: `“${activity.id}” stands on ${group.length} lines with different sums (${sums})${others}. Are they the parts of one payment?`,
    choices: [
      {
        answer: "sum",
        result: `yes: line ${activity.line} (${ROW_KINDS[activity.kind].label}) is ${shown(activity.gross)}${cost}`,
      },
      {
        answer: "apart",
        result: "no: those lines are refused, and the right ones are given again",
      },
    ],
  };
}
