import { actsOf } from "@/db/acts";
import type { Db } from "@/db/connection";

/** The act by which a receipt was set aside, which undo takes back; null where it was not, or is back again. */
export function actOfSettingAside(db: Db, receiptId: number): number | null {
  const act = actsOf(db, "receipt", receiptId).findLast(
    ({ kind, undoneBy }) => kind === "set_aside" && undoneBy === null,
  );
  return act?.id ?? null;
}
