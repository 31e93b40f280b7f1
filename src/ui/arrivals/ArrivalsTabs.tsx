import type { ReactNode } from "react";

import { type ViewOf, viewsOf } from "@/contracts/views";

import { Tab, TabLine } from "../kit/headings";

/** The views of Arrivals, the same on both of them. */
export function ArrivalsTabs({
  at,
  children,
}: {
  at: ViewOf<"arrivals">;
  children?: ReactNode;
}): ReactNode {
  return (
    <TabLine>
      {viewsOf("arrivals").map(([name, words]) => (
        <Tab
          key={name}
          href={name === "files" ? "?" : `?list=${name}&state=open`}
          here={at === name}
        >
          {words}
        </Tab>
      ))}
      {children}
    </TabLine>
  );
}
