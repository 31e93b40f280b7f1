import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Language } from "./letters";

/** How a customer is followed up, where that differs from what the book does. */
export type FollowedRow = {
  customerId: number;
  ladderId: number | null;
  language: Language;
  byItself: boolean;
  smallest: Minor | null;
  quietUntil: Day | null;
};
