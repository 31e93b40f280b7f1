import NextLink from "next/link";
import type { ReactNode } from "react";

import { TabLine } from "../kit/headings";

const REPORTS = [
  ["aging", "Aging"],
  ["figures", "Figures"],
  ["year", "Year end"],
] as const;

/** The reports beside each other. */
export function ReportTabs({ at }: { at: (typeof REPORTS)[number][0] }): ReactNode {
  return (
    <TabLine>
      {REPORTS.map(([name, words]) => (
        <NextLink
          key={name}
          href={name === "aging" ? "?" : `?show=${name}`}
          aria-current={at === name ? "page" : undefined}
          prefetch={false}
        >
          {words}
        </NextLink>
      ))}
    </TabLine>
  );
}
