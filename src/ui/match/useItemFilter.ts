"use client";

import { type Remote, wrap } from "comlink";
import { useEffect, useMemo, useState } from "react";

import type { WorkingsItem } from "@/contracts/match";
import type { Filtered, filterItems } from "@/core/matching";
import type { Currency, Minor } from "@/core/money";

type Sums = { filterItems: typeof filterItems };
let sums: Remote<Sums> | null = null;

/** The worker is started with the first thing that is typed, and kept. */
function worker(): Remote<Sums> {
  sums ??= wrap<Sums>(
    new Worker(new URL("./itemFilter.worker.ts", import.meta.url), { type: "module" }),
  );
  return sums;
}

/** What a filter lets through; everything while it is empty, and what was shown before while the worker looks. */
export function useItemFilter(
  items: readonly WorkingsItem[],
  text: string,
  left: Minor,
  currency: Currency,
): Filtered {
  const all = useMemo(
    (): Filtered => ({ ids: items.map(({ itemId }) => itemId), sets: [] }),
    [items],
  );
  const [found, setFound] = useState<{
    asked: string;
    items: readonly WorkingsItem[];
    filtered: Filtered;
  } | null>(null);
  const asked = text.trim() === "=" ? `= ${left}` : text.trim();
  useEffect(() => {
    if (asked === "") return;
    let current = true;
    void worker()
      .filterItems([...items], asked.startsWith("=") ? "=" : asked, left, currency)
      .then((filtered) => {
        if (current) setFound({ asked, items, filtered });
      });
    return () => {
      current = false;
    };
  }, [items, asked, left, currency]);
  return asked === "" || found === null || found.items !== items ? all : found.filtered;
}
