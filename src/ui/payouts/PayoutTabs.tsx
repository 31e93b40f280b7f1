import NextLink from "next/link";
import type { ReactNode } from "react";

import { TabLine } from "../kit/headings";

const TABS = [
  ["ahead", "Expected"],
  ["back", "Returns and disputes"],
  ["clearing", "Clearing"],
  ["fees", "Fees"],
] as const;

/** The views beside the payouts themselves. */
export function PayoutTabs({
  at,
  children,
}: {
  at: "payouts" | (typeof TABS)[number][0];
  children?: ReactNode;
}): ReactNode {
  return (
    <TabLine>
      {children ?? (
        <NextLink href="?" aria-current={at === "payouts" ? "page" : undefined} prefetch={false}>
          Payouts
        </NextLink>
      )}
      {TABS.map(([name, words]) => (
        <NextLink
          key={name}
          href={`?show=${name}`}
          aria-current={at === name ? "page" : undefined}
          prefetch={false}
        >
          {words}
        </NextLink>
      ))}
    </TabLine>
  );
}
