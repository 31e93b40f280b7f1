"use client";

import { useRouter } from "next/navigation";
import { useCallback, useState } from "react";

import type { DayTold } from "@/contracts/paying";
import { type Day, formatDay } from "@/core/calendar";

import { useActing } from "../shell/Notices";

/** Days at most that one press goes on. */
const MOST_DAYS = 400;

/** Moves the clock on day by day, and keeps what happened, the latest first. */
export function useClock(today: Day) {
  const { book, complain, say } = useActing();
  const router = useRouter();
  const [told, setTold] = useState<DayTold[]>([]);
  const [under, setUnder] = useState<string | null>(null);
  const now = told[0]?.day ?? today;
  const goTo = useCallback(
    async (to: Day): Promise<void> => {
      if (under !== null) return;
      setUnder(formatDay(to, today));
      let days = 0;
      for (let here = now; here < to && days < MOST_DAYS; days += 1) {
        const next = await dayOn(book);
        if (!next) {
          complain("The day did not come to its end. Press again: what was done is done once.");
          break;
        }
        here = next.day;
        setTold((before) => [next, ...before]);
        if (next.day >= to) say(`It is ${formatDay(next.day)}.`, "A day that has passed stays.");
      }
      setUnder(null);
      router.refresh();
    },
    [book, complain, now, router, say, today, under],
  );
  return { told, under, now, goTo };
}

async function dayOn(book: string): Promise<DayTold | null> {
  try {
    const response = await fetch(`/api/v1/b/${book}/practice`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    });
    return response.ok ? ((await response.json()) as DayTold) : null;
  } catch {
    return null;
  }
}
