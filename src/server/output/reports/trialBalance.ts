import { balancesAsOf } from "@/db/journal";

import { defineSheet } from "../defineSheet";
import { aPeriod } from "../queries";

export const trialBalanceReport = defineSheet({
  name: "trial-balance",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => balancesAsOf(db, asOf),
  columns: {
    account_code: (account) => account.code,
    account_name: (account) => account.name,
    account_role: (account) => account.role,
    debit: (account, { sum }) => sum(Math.max(account.balance, 0)),
    credit: (account, { sum }) => sum(Math.max(-account.balance, 0)),
  },
});
