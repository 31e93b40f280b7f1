import type { Processor, SentEvent } from "@/core/paying";
import { ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { wasHeard } from "@/db/processorEvents";
import { takeTold } from "@/server/arrivals/takeTold";

import type { DoCommand } from "./payNow";

type Into = { book: string; db: Db; run: DoCommand; processor: Processor };

/** How the processors behind the port write their sums. */
const SIGNS = { signs: "as_written", payoutSign: "turned" } as const;

/**
 * Hears an event of the processor: what it says is not believed, but asked for, and taken in as its
 * file would be. So the same event again, late, or before an earlier one changes nothing.
 */
export async function takeEvent(
  { book, db, run, processor }: Into,
  sent: SentEvent,
): Promise<Result<{ isNew: boolean }>> {
  const event = processor.readEvent(sent);
  if (!event.ok) return event;
  const { id, account, on } = event.value;
  if (wasHeard(db, id)) return ok({ isNew: false });
  const listed = processor.activity(account, on);
  if (listed) {
    const told = { kind: "processor" as const, ...listed, account, mapping: SIGNS };
    const taken = await takeTold({ book, db, run }, told);
    if (!taken.ok) return taken;
  }
  return run("noteEvent", event.value, `event-${id}`);
}
