import type { Aging } from "@/core/metrics";
import type { Minor } from "@/core/money";

export type OverdueState = "ready" | "waits" | "later" | "left_out";
export type OverdueLine = {
  id: number;
  name: string;
  sites: number;
  email: string | null;
  aging: Aging;
  overdue: Minor;
  oldestDays: number;
  lastWord: string;
  broken: boolean;
  next: string;
  waits: string[];
  state: OverdueState;
  leftOut: string | null;
};
