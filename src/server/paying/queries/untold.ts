import { addDays, type Day } from "@/core/calendar";
import type { Db } from "@/db/connection";
import { openItemById } from "@/db/openItems";
import { readSettings } from "@/db/settings";
import { toldOn } from "@/db/sumsTold";

import { agreedDue, type AgreedPayment, agreedSum } from "./agreed";

/**
 * Sums that come to be taken as agreed within the days of notice, and of which their customers were
 * not told: only what of them was not.
 */
export function untoldSums(db: Db, today: Day): AgreedPayment[] {
  const settings = readSettings(db);
  const until = addDays(today, settings.noticeDays);
  return agreedDue(db, until)
    .filter(({ notice }) => notice?.from === null)
    .map((payment) => {
      const parts = payment.parts.filter(
        ({ itemId, amount }) => toldOn(db, itemId, amount) === null,
      );
      const numbers = parts.flatMap(({ itemId }) => openItemById(db, itemId)?.number ?? []);
      return { ...payment, parts, numbers, amount: agreedSum(parts, payment.way, settings) };
    });
}
