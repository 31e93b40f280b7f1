import type { ReactNode } from "react";

import { formatAmount, type Currency } from "@/core/money";

/** A sum as the conventions of accounting write it; `tone` colours it only with a meaning. */
export function Sum({ of, currency, dash = false, tone }: { of: number; currency: Currency; dash?: boolean; tone?: "good" | "off" | "waits" | undefined }): ReactNode {
  return <span className={tone ? `sum ${tone}` : "sum"}>{formatAmount(of, currency, { dash })}</span>;
}

/** What is left of a sum: green and 0.00 where it comes out, red where not. */
export function LeftOver({ of, currency }: { of: number; currency: Currency }): ReactNode {
  return <Sum of={of} currency={currency} tone={of === 0 ? "good" : "off"} />;
}
