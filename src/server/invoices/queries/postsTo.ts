import type { PostsTo } from "@/contracts/editor";
import type { EARNED_LATER } from "@/core/ledger";
import { accountFor } from "@/core/ledger";
import type { Db } from "@/db/connection";
import { items } from "@/db/items";
import { accounts } from "@/db/journal";

import { NAMES_OF_LATER } from "../steps/accountOfLater";

/** Where the net of a document goes, in the names of the book's own accounts. */
export function postsTo(db: Db, isDeposit: boolean): PostsTo {
  const chart = accounts(db);
  const later = (of: keyof typeof EARNED_LATER): string =>
    chart.find((account) => account.role === "other" && account.of === of)?.name ??
    NAMES_OF_LATER[of].name;
  const income = (of: string | null): string =>
    accountFor(chart, of === null ? { role: "income" } : { role: "income", of })?.name ?? "Income";
  return {
    usual: isDeposit ? later("deposits") : income(null),
    deposits: later("deposits"),
    items: isDeposit
      ? {}
      : Object.fromEntries(
          items(db).map(({ code, incomeOf, months }) => [
            code,
            months > 1 ? later("deferred") : income(incomeOf),
          ]),
        ),
  };
}
