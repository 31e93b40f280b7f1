import { bankAccounts } from "@/db/bank";
import { processorAccounts } from "@/db/processorAccounts";
import type { Settings } from "@/db/settings";
import { taxCodes } from "@/db/taxCodes";
import type { BookContext } from "@/server/runtime/bookContext";

/** What a book is set to, with its accounts. */
export function setUpPage({ db, settings }: BookContext): {
  settings: Settings;
  processors: ReturnType<typeof processorAccounts>;
  banks: ReturnType<typeof bankAccounts>;
  taxCodes: ReturnType<typeof taxCodes>;
} {
  return {
    settings,
    processors: processorAccounts(db),
    banks: bankAccounts(db),
    taxCodes: taxCodes(db),
  };
}
