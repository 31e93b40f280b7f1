import { z } from "zod";

import type { Day } from "@/core/calendar";
import type { WayToPay } from "@/core/paying";

import { methodToken } from "./methodToken";

/** A way to pay that is on file, as its owner sees it. */
export type MethodOnFile = {
  id: number;
  way: WayToPay;
  name: string;
  lastFour: string;
  expires: string | null;
  /** Whether it may be used: a bank account may have to be proven first. */
  usable: boolean;
  /** When the two small sums are there that prove it; null where none were sent. */
  sumsThereOn: Day | null;
};

/** What proves a bank account: two small sums are asked for (`token`), or the ones that came are typed. */
export const proofInput = z.union([
  z.object({ token: methodToken }),
  z.object({
    methodId: z.number().int(),
    sums: z.array(z.string().trim().max(12)).length(2),
  }),
]);
