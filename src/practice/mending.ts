import { addBankingDays, type Day } from "@/core/calendar";
import { noticesSince } from "@/db/returnsAndDisputes";

import type { Around } from "./customers";
import { must } from "./hands";

/** A clerk mends an account the banking day after its bank said so; gives how many. */
export async function mendAccounts({ db, run }: Around, on: Day): Promise<number> {
  const due = noticesSince(db, on).filter(
    ({ mendedOn, toldOn }) => mendedOn === null && on >= addBankingDays(toldOn, 1),
  );
  for (const { id, externalId } of due)
    must(await run("mendAccount", { noticeId: id }, `mend-${externalId}`));
  return due.length;
}
