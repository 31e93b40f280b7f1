import NextLink from "next/link";
import type { ReactNode } from "react";

import { type ViewOf, viewsOf } from "@/contracts/views";

import { TabLine } from "../kit/headings";
import { ViewWords } from "../kit/ViewWords";

/** The reports beside each other. */
export function ReportTabs({ at }: { at: ViewOf<"reports"> }): ReactNode {
  return (
    <TabLine>
      {viewsOf("reports").map(([name, words]) => (
        <NextLink
          key={name}
          href={name === "aging" ? "?" : `?show=${name}`}
          aria-current={at === name ? "page" : undefined}
          prefetch={false}
        >
          <ViewWords>{words}</ViewWords>
        </NextLink>
      ))}
    </TabLine>
  );
}
