import type { ReactNode } from "react";

import { type ViewOf, viewsOf } from "@/contracts/views";

import { Tab, TabLine } from "../kit/headings";
import { ViewWords } from "../kit/ViewWords";

/** The views of Payouts, the same on each of them. */
export function PayoutTabs({ at }: { at: ViewOf<"payouts"> }): ReactNode {
  return (
    <TabLine>
      {viewsOf("payouts").map(([name, words]) => (
        <Tab key={name} href={name === "payouts" ? "?" : `?show=${name}`} here={at === name}>
          <ViewWords>{words}</ViewWords>
        </Tab>
      ))}
    </TabLine>
  );
}
