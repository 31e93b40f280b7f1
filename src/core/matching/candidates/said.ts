import type { Reason } from "../types";
import type { MatchItem } from "../types";
import type { CustomerScope } from "./customerScope";

export const saidItems = (scope: CustomerScope, items: readonly MatchItem[]): Reason =>
  saidNumbers(
    scope,
    items.map((item) => ({ item })),
  );

const HOW_SAID = {
  whole: "whole",
  none: "whole",
  digits: "digits",
  cut: "near",
  damaged: "near",
} as const;

export function saidNumbers(scope: CustomerScope, parts: readonly { item: MatchItem }[]): Reason {
  const { how } = scope.named;
  const items = parts.map(({ item }) => item);
  const spots = scope.spotsOf(items);
  return how === "order"
    ? { code: "po", number: items[0]?.poNumber ?? "", spots }
    : { code: "numbers", numbers: items.map(({ number }) => number), how: HOW_SAID[how], spots };
}
