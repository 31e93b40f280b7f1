import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** What the shell shows; the server's query has the same shape. */
export type ShellFacts = {
  book: string; name: string; currency: Currency; today: Day; clockFixed: boolean; people: string[]; person: string;
  left: { arrivals: number; match: number; payoutsOff: number; overdue: number; broken: number };
  strip: { receivables: Minor; clearing: Minor; bank: Minor; statementTo: Day | null; toMatch: Minor; payoutsOff: Minor; unexplained: Minor; holds: Record<string, boolean> };
};
