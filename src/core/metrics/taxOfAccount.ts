import type { Minor } from "@/core/money";

/** What a tax account was charged with, what was taken off it, and what stood at the end. */
export type TaxOfAccount = {
  code: string;
  name: string;
  charged: Minor;
  less: Minor;
  balance: Minor;
};
