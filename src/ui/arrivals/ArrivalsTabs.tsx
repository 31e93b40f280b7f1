import type { ReactNode } from "react";

import { type ViewOf, viewsOf } from "@/contracts/views";

import { Tab, TabLine } from "../kit/headings";

const HREFS: Readonly<Record<ViewOf<"arrivals">, string>> = {
  files: "?",
  lines: "?list=lines&state=open",
  tray: "?list=tray",
  mail: "?list=mail",
};

/** The views of Arrivals, the same on all of them. */
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
        <Tab key={name} href={HREFS[name]} here={at === name}>
          {words}
        </Tab>
      ))}
      {children}
    </TabLine>
  );
}
