import type { Db } from "@/db/connection";
import { accounts } from "@/db/journal";
import type { PracticeStore } from "@/db/practice";

/** What the processor holds of an account, and what our books say that it does; minor units. */
export type Held = { account: string; theirs: number; ours: number };

export const heldBy = (store: PracticeStore, db: Db): Held[] =>
  ["card", "ach"].map((account) => ({
    account,
    theirs: store.held(account),
    ours: accounts(db).find(({ role, of }) => role === "clearing" && of === account)?.balance ?? 0,
  }));
