import { z } from "zod";

import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import { methodToken } from "./methodToken";

/** A plan as its customer sees it: what is taken when. */
export type PlanShown = {
  id: number;
  parts: {
    dueOn: Day;
    amount: Minor;
    stands: "paid" | "on_way" | "to come" | "to try" | "broken";
  }[];
};

/** What a pay page sends where what is overdue is paid in parts. */
export const planInput = z.object({
  key: z.uuid(),
  itemIds: z.array(z.number().int()).min(1).max(200),
  count: z.number().int().min(2).max(24),
  methodId: z.number().int().nullable(),
  token: methodToken.nullable(),
});
