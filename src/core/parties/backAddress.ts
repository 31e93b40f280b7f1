import type { Day } from "@/core/calendar";

/** An address to which letters come back, and whose it is. */
export type BackAddress = {
  address: string;
  why: string;
  since: Day;
  customerId: number | null;
  customer: string | null;
};
