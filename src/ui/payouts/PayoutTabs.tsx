import type { ReactNode } from "react";

import { Tab, TabLine } from "../kit/headings";

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
        <Tab href="?" here={at === "payouts"}>
          Payouts
        </Tab>
      )}
      {TABS.map(([name, words]) => (
        <Tab key={name} href={`?show=${name}`} here={at === name}>
          {words}
        </Tab>
      ))}
    </TabLine>
  );
}
