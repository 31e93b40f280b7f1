"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";

import type { AgreedListed, RunTold } from "@/contracts/paying";
import { type Day, formatDay } from "@/core/calendar";

import { useChosen } from "../kit/lists/useChosen";
import { useActing } from "../shell/Notices";

/** Why a payment is not in today's run; null where it is. */
export function outOf({ takenOut, notice }: AgreedListed, today?: Day): string | null {
  if (takenOut !== null || notice === null) return takenOut;
  return notice.from === null
    ? "its customer was not told of the sum"
    : `told of the sum; taken from ${formatDay(notice.from, today)} on`;
}

/** The run as it is looked through: who is out, and the press that takes the rest. */
export function useRun(due: readonly AgreedListed[]) {
  const { book, act, say, complain } = useActing();
  const router = useRouter();
  const [looking, setLooking] = useState(false);
  const [busy, setBusy] = useState(false);
  const { chosen: out, toggle, clear } = useChosen(() => setLooking(false));
  const left = due.filter((payment) => outOf(payment) === null);
  const chosen = left.filter(({ customerId }) => !out.has(customerId));
  const takeOut = async (reason: string): Promise<void> => {
    const done = await act<{ out: number }>(
      "takeOutOfRun",
      { customerIds: [...out], reason },
      ({ out: count }) => ({
        words: `${count} taken out of today’s run.`,
        final: "They are due again tomorrow.",
      }),
    );
    if (done) clear();
  };
  const take = async (): Promise<void> => {
    if (chosen.length === 0 || busy) return;
    if (!looking) return setLooking(true);
    setBusy(true);
    const told = await run(book, chosen);
    setBusy(false);
    setLooking(false);
    if (!told) return complain("No answer came. Press again: nothing is taken twice.");
    say(wordsOf(told), "What was charged is given back by a refund.");
    router.refresh();
  };
  return { out, toggle, chosen, looking, setLooking, busy, take, takeOut };
}

async function run(book: string, chosen: readonly AgreedListed[]): Promise<RunTold | null> {
  try {
    const response = await fetch(`/api/v1/b/${book}/paying`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ keys: chosen.map(({ key }) => key) }),
    });
    return response.ok ? ((await response.json()) as RunTold) : null;
  } catch {
    return null;
  }
}

function wordsOf({ paid, onWay, declined, refused, changed }: RunTold): string {
  const parts = [
    `${paid} paid`,
    onWay > 0 ? `${onWay} on their way` : "",
    declined > 0 ? `${declined} declined: see why below` : "",
    refused[0] ? `${refused.length} not asked for: ${refused[0].customer}, ${refused[0].why}` : "",
    changed > 0 ? `${changed} had changed and were left` : "",
  ];
  return `${parts.filter((part) => part !== "").join("; ")}.`;
}
