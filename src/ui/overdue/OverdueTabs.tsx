import type { ReactNode } from "react";

import { type ViewOf, viewsOf } from "@/contracts/views";

import { Tab, TabLine } from "../kit/headings";
import { ViewWords } from "../kit/ViewWords";

/** The views of Overdue, the same on each of them. */
export function OverdueTabs({
  at,
  children,
}: {
  at: ViewOf<"overdue">;
  /** What the list is filtered by, at the end of the line. */
  children?: ReactNode;
}): ReactNode {
  return (
    <TabLine paddingBottom="4px">
      {viewsOf("overdue").map(([name, words]) => (
        <Tab key={name} href={name === "list" ? "?" : `?show=${name}`} here={at === name}>
          <ViewWords>{words}</ViewWords>
        </Tab>
      ))}
      {children}
    </TabLine>
  );
}
