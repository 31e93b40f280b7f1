import type { DecimalMark } from "@/core/money";

/** The marks that the sums of a list may have before their decimals. */
export const MARKS: readonly DecimalMark[] = [".", ","];
