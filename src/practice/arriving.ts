import type { Day } from "@/core/calendar";
import type { PracticeStore } from "@/db/practice";
import type { Told } from "@/server/arrivals/takeTold";

import { adviceFile } from "./advice";
import { OPENING_BALANCE } from "./bank";
import { activityFile, noticesFile, statementFile } from "./files";
import { accountsOf } from "./terms";

/**
 * The files of a day: the processor's first, then the bank's statement, then what banks send beside
 * it, which is advice of what was paid and notices of accounts that are to be mended.
 */
export function filesOf(store: PracticeStore, on: Day): Told[] {
  const activity = accountsOf(store).map((account) => ({
    kind: "processor" as const,
    name: `${account}-${on}.csv`,
    text: activityFile(store, account, on),
    account,
  }));
  const told = [
    ...activity,
    {
      kind: "bank" as const,
      name: `statement-${on}.csv`,
      text: statementFile(store, { to: on }, OPENING_BALANCE),
      account: "operating",
    },
    {
      kind: "remittance" as const,
      name: `advice-${on}.820`,
      text: adviceFile(store, on),
      account: null,
    },
    {
      kind: "returns" as const,
      name: `changes-${on}.csv`,
      text: noticesFile(store, on),
      account: null,
    },
  ];
  return told.flatMap(({ text, ...file }) => (text === null ? [] : [{ ...file, text }]));
}
