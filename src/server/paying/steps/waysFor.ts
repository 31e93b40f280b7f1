import { offeredWays, PAYS_BY, type WayToPay } from "@/core/paying";
import type { Db } from "@/db/connection";
import { cardOf } from "@/db/customerCards";
import { documentOfItem } from "@/db/documents";
import type { OpenItemRow } from "@/db/openItems";
import { readSettings } from "@/db/settings";

/** By which ways an item may be paid: as its invoice says, else its customer, else the book. */
export function waysFor(
  db: Db,
  { id, customerId }: Pick<OpenItemRow, "id" | "customerId">,
): WayToPay[] {
  const own = cardOf(db, customerId).paysBy?.join(",");
  return offeredWays([
    documentOfItem(db, id)?.paysBy ?? null,
    PAYS_BY.find((known) => known === own) ?? null,
    readSettings(db).paysBy,
  ]);
}
