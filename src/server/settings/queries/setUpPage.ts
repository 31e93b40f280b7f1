import { bankAccounts } from "@/db/bank";
import { processorAccounts } from "@/db/processorAccounts";
import type { ChartListed, ItemListed } from "@/contracts/settings";
import { isUsed } from "@/db/chart";
import { items } from "@/db/items";
import { accounts } from "@/db/journal";
import type { Settings } from "@/db/settings";
import { taxCodes } from "@/db/taxCodes";
import type { BookContext } from "@/server/runtime/bookContext";

/** What a book is set to, with its accounts. */
export function setUpPage({ db, settings }: BookContext): {
  settings: Settings;
  processors: ReturnType<typeof processorAccounts>;
  banks: ReturnType<typeof bankAccounts>;
  taxCodes: ReturnType<typeof taxCodes>;
  chart: ChartListed[];
  items: ItemListed[];
} {
  const chart = accounts(db).sort((a, b) => a.code.localeCompare(b.code));
  return {
    settings,
    processors: processorAccounts(db),
    banks: bankAccounts(db),
    taxCodes: taxCodes(db),
    chart: chart.map(({ id, code, name, role, of }) => ({
      code,
      name,
      role,
      of,
      removable: of !== null && ["income", "tax"].includes(role) && !isUsed(db, id),
    })),
    items: items(db).map(({ incomeOf, ...item }) => ({
      ...item,
      account:
        chart.find(({ role, of }) => role === "income" && of !== null && of === incomeOf)?.code ??
        null,
    })),
  };
}
