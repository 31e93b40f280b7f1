import NextLink from "next/link";
import type { ReactNode } from "react";

import { Tab, TabLine } from "../kit/headings";

const VIEWS = [
  ["run", "Letters of today"],
  ["by-itself", "Automatic letters"],
  ["fees", "Late fees"],
  ["given-up", "Write-offs"],
  ["ladders", "Ladders"],
  ["words", "Letter texts"],
] as const;

/** The views beside the list of who is late. */
export function OverdueTabs({
  at,
  children,
}: {
  at: "list" | (typeof VIEWS)[number][0];
  children?: ReactNode;
}): ReactNode {
  return (
    <TabLine paddingBottom="4px">
      {children ?? (
        <NextLink href="?" prefetch={false}>
          Who is late
        </NextLink>
      )}
      {VIEWS.map(([name, words]) => (
        <Tab key={name} href={`?show=${name}`} here={at === name}>
          {words}
        </Tab>
      ))}
    </TabLine>
  );
}
