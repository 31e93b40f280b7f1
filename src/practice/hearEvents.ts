import type { Day } from "@/core/calendar";
import { takeEvent } from "@/server/paying/takeEvent";

import type { Around } from "./customers";
import { eventsOf } from "./events";
import { must } from "./hands";
import { Random } from "./random";

/** Of all that happens, so much is told by events; the files tell of all. */
const TOLD = 0.1;
const TWICE = 0.2;

/** Some events of a day, in no order and some of them twice: they say nothing that the files did not. */
export async function hearEvents(
  { db, store, processor, run, seed }: Around,
  book: string,
  on: Day,
): Promise<void> {
  const random = new Random(seed + Number(on.replaceAll("-", "")));
  const sent = eventsOf(store, on, new Date())
    .filter(() => random.chance(TOLD))
    .flatMap((event) => (random.chance(TWICE) ? [event, event] : [event]))
    .map((event) => ({ event, place: random.next() }))
    .sort((one, other) => one.place - other.place);
  for (const { event } of sent) must(await takeEvent({ book, db, run, processor }, event));
}
