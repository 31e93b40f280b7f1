import { toDecimal } from "@/core/money";

import type { Memo } from "../memo/mention";
import { toldIn } from "../memo/told";
import type { PayerIndex } from "../payers/payers";
import type { MatchReceipt, Payer } from "../types";
import { readByNumbers } from "./byNumbers";
import { readBySums } from "./bySums";
import { readByWords } from "./byWords";
import { type Draft, withoutRepeats } from "./candidate";
import { CustomerScope, type MatchContext } from "./customerScope";

/** Every reading of one receipt worth showing, best first, against the items that are still free. */
export function readingsOf(receipt: MatchReceipt, around: MatchContext): Draft[] {
  const memo = around.memo(textOf(receipt));
  const payers = around.payers.find(receipt);
  const drafts: Draft[] = [];
  const told = toldIn(receipt.reference, receipt.paidOn, receipt.currency);
  for (const customerId of candidates(payers, memo, around.payers))
    drafts.push(
      ...readingsFor(new CustomerScope(receipt, customerId, { memo, payers, told }, around)),
    );
  return withoutRepeats(drafts);
}

function readingsFor(scope: CustomerScope): readonly Draft[] {
  const { named, payer, who, receipt } = scope;
  if (named.items.length > 0 || named.open.length > 0) readByNumbers(scope);
  if (payer && who !== "other") readByWords(scope);
  if (payer && who !== "other") readBySums(scope, /\d/.test(textOf(receipt)));
  return scope.found;
}

/** What a receipt says: its memo, and behind it the lines of its remittance, each number with its sum. */
export function textOf({ reference, remittance, currency }: MatchReceipt): string {
  return remittance === undefined || remittance.length === 0
    ? reference
    : [
        reference,
        ...remittance.map(({ number, amount }) => `${number} ${toDecimal(amount, currency)}`),
      ].join(" ; ");
}

/** The groups of customers that a receipt could be for, whatever is open at them. */
export function groupsFor(receipt: MatchReceipt, around: MatchContext): number[] {
  return [
    ...new Set(
      candidates(around.payers.find(receipt), around.memo(textOf(receipt)), around.payers).map(
        (id) => around.payers.group(id),
      ),
    ),
  ];
}

function candidates(payers: readonly Payer[], memo: Memo, index: PayerIndex): number[] {
  const ids = new Set<number>();
  for (const mention of memo.mentions)
    for (const item of [...mention.items, ...mention.orders].slice(0, 12)) ids.add(item.customerId);
  for (const { customerId } of payers.slice(0, 5)) ids.add(customerId);
  for (const id of [...ids]) ids.add(index.group(id));
  return [...ids];
}
