import type { ReactNode } from "react";

import { type Day, daysBetween } from "@/core/calendar";

type Item = { kind: "invoice" | "late_fee" | "credit_note"; dueOn: Day; balance: number };

/** How an invoice stands on a day, in words. */
export function InvoiceState({ item, today }: { item: Item; today: Day }): ReactNode {
  if (item.balance === 0) return <span data-tone="good">✓ settled</span>;
  if (item.kind === "credit_note") return <span data-tone="waits">to be used</span>;
  const days = daysBetween(item.dueOn, today);
  if (days <= 0) return <span data-tone="soft">not due yet</span>;
  return (
    <span data-tone="off">
      overdue for {days} {days === 1 ? "day" : "days"}
    </span>
  );
}
