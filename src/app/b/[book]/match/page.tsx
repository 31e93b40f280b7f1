import type { ReactNode } from "react";

import { type QueueName, QUEUES } from "@/contracts/match";
import type { Proposal } from "@/core/matching";
import { matchQueue, type MatchQueue } from "@/server/match/queries/match";
import { onHand } from "@/server/match/queries/onHand";
import { cachedQuery } from "@/server/runtime/threads/reader";
import { MatchPage } from "@/ui/match/MatchPage";

import { one, PAGE_ROWS, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("match", "queue");

export default async function Match({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today, proposals } = await pageOf(params);
  const search = await searchParams;
  const made = await proposals();
  const hand = one(search, "queue") === "hand";
  const wanted = QUEUES.find((name) => name === one(search, "queue"));
  const sort = one(search, "sort", "paid");
  const queueOf = (name: QueueName): MatchQueue =>
    cachedQuery({ book, db }, `match ${name} ${sort}`, () =>
      matchQueue(db, made, { queue: name, sort, currency: settings.currency }),
    );
  const asked = wanted ?? queueWith(made, Number(one(search, "open")));
  const first = queueOf(asked ?? "check");
  // Without a choice, the first queue that has something to look at.
  const queue = asked ?? firstQueueWithWork(first);
  const { rows, sums, total } = queue === (asked ?? "check") ? first : queueOf(queue);
  return (
    <MatchPage
      book={book}
      currency={settings.currency}
      today={today}
      queue={hand ? "hand" : queue}
      rows={hand ? [] : rows.slice(0, PAGE_ROWS)}
      sums={sums}
      total={total}
      sorted={sort}
      hand={onHand(db)}
    />
  );
}

/** The queue in which a receipt waits that an address opens without saying which. */
const queueWith = (proposals: readonly Proposal[], receiptId: number): QueueName | undefined =>
  proposals.find((proposal) => proposal.receiptId === receiptId)?.decision;

function firstQueueWithWork(first: MatchQueue): QueueName {
  if (first.sums.check.count > 0) return "check";
  if (first.sums.none.count > 0 && first.sums.sure.count === 0) return "none";
  if (first.sums.sure.count > 0) return "sure";
  return "check";
}
