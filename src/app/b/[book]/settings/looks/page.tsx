import type { ReactNode } from "react";

import { lookPreview } from "@/server/settings/queries/lookPreview";
import { LooksPage } from "@/ui/settings/looks/LooksPage";

import { factsOf, pageOf } from "../../../../serve";

export const metadata = { title: "How papers look" };

export default async function Looks({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  return (
    <LooksPage
      {...factsOf(context)}
      looks={context.settings.looks}
      bankDetails={context.settings.bankDetails}
      paper={lookPreview(context.db)}
    />
  );
}
