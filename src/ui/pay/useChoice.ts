import { useState } from "react";

import type { MethodOnFile } from "@/contracts/payMethods";
import type { PayFacts, PayItem } from "@/contracts/paying";
import { minor, type Minor, parseAmount, sumOf } from "@/core/money";
import {
  askedSum,
  isWithin,
  limitsFor,
  planOf,
  type PlanPart,
  type SettledPart,
  spread,
  waysTogether,
  type WayToPay,
} from "@/core/paying";

/** The way that is chosen: one on file, or a new card or account. */
export type Chosen = { onFile: MethodOnFile } | { fresh: WayToPay };
export const wayOf = (chosen: Chosen): WayToPay =>
  "onFile" in chosen ? chosen.onFile.way : chosen.fresh;

/** What of an invoice is paid, with its number. */
type ChosenPart = SettledPart & { number: string };

/** Which invoices are paid, how much of them, by what, and what is agreed to beside it. */
export function useChoice(facts: PayFacts) {
  const payable = facts.items.filter(
    ({ balance, beingPaid, inPlan }) => beingPaid < balance && !inPlan,
  );
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [chosen, setChosen] = useState<Chosen>(() => usualWay(facts));
  const [keep, setKeep] = useState(false);
  const [agree, setAgree] = useState(facts.mustAgree);
  const [word, setWord] = useState("");
  const [count, setCount] = useState(1);
  const paid = payable.filter(({ id }) => !out.has(id));
  const toggle = (id: number): void => {
    const next = new Set(out);
    if (!next.delete(id)) next.add(id);
    setOut(next);
  };
  const ways = waysTogether([facts.ways, ...paid.map((item) => item.ways)]);
  const by = fitting(chosen, ways);
  const own = useOwnSum(facts, paid);
  const asked = askedSum(own.parts, wayOf(by), facts.rules);
  const plan = usualPlan(facts, paid, count);
  /** What a way costs on top of what is chosen, or, below zero, saves. */
  const costOf = (way: WayToPay): number => {
    // What is agreed to in parts is taken as it is.
    if (plan.length > 0) return 0;
    const { surcharge, savings } = askedSum(own.parts, way, facts.rules);
    return surcharge - sumOf(savings, (saving) => saving);
  };
  return {
    ...{ payable, out, toggle, ...own, sum: plan[0]?.sum ?? asked.sum, costOf },
    ...{ itemIds: paid.map(({ id }) => id), plan, count, setCount, mayPlan: mayPlan(facts, paid) },
    ...{ ways, chosen: by, setChosen, keep, setKeep, agree, setAgree, word, setWord },
  };
}

export type Choice = ReturnType<typeof useChoice>;

/** Whether what is chosen may be paid in parts: some of it is overdue. */
const mayPlan = ({ planParts, mustAgree, today }: PayFacts, paid: readonly PayItem[]): boolean =>
  planParts > 1 && !mustAgree && paid.some(({ dueOn }) => dueOn < today);

/** The parts in which what is chosen is paid; none where it is paid at once. */
const usualPlan = (facts: PayFacts, paid: readonly PayItem[], count: number): PlanPart[] =>
  count > 1 && mayPlan(facts, paid) ? planOf(sumOf(paid, openOf), count, facts.today) : [];

/** What is open of the chosen invoices, or the sum of one's own that is given to the oldest of them first. */
function useOwnSum({ limits, currency }: PayFacts, paid: readonly PayItem[]) {
  const [typed, setTyped] = useState("");
  const open = sumOf(paid, openOf);
  const bounds = limits && limitsFor(limits, open);
  const isFixed = limits !== null && limits.from === limits.to;
  const sum = sumTyped(typed, currency) ?? bounds?.to ?? open;
  const isWrong = limits !== null && !isWithin(sum, limits, open);
  return {
    ownSum: typed,
    setOwnSum: setTyped,
    bounds,
    isFixed,
    isWrong,
    /** What of the chosen invoices stays open. */
    rest: minor(open - sum),
    parts: isWrong ? [] : partsFor(sum, paid),
  };
}

/** A sum as it was typed, with a point or a comma before its cents; null for none, 0 for no sum. */
function sumTyped(typed: string, currency: PayFacts["currency"]): Minor | null {
  const text = typed.trim();
  if (text === "") return null;
  const read = parseAmount(text, /,\d{1,2}$/.test(text) ? "," : ".", currency);
  return read.ok ? read.value : minor(0);
}

function partsFor(sum: Minor, paid: readonly PayItem[]): ChosenPart[] {
  const items = new Map(paid.map((item) => [item.id, item]));
  const chosen = paid.map((item) => ({
    itemId: item.id,
    dueOn: item.dueOn,
    balance: openOf(item),
  }));
  return spread(sum, chosen).flatMap((part) => {
    const item = items.get(part.itemId);
    return item ? [{ ...part, number: item.number, isWhole: part.amount === openOf(item) }] : [];
  });
}

const openOf = ({ balance, beingPaid }: PayItem): Minor => minor(balance - beingPaid);

function usualWay({ methods, ways }: PayFacts): Chosen {
  const [first] = methods;
  return first ? { onFile: first } : { fresh: ways.includes("bank") ? "bank" : "card" };
}

/** What is chosen, or, where what is paid now may not be paid so, a way by which it may. */
function fitting(chosen: Chosen, ways: readonly WayToPay[]): Chosen {
  const [first] = ways;
  return ways.includes(wayOf(chosen)) || first === undefined ? chosen : { fresh: first };
}
