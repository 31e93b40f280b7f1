import type { ReactNode } from "react";

import { replayFor } from "@/server/runtime/threads/reader";
import { ReplayPage } from "@/ui/match/ReplayPage";

import { factsOf, pageOf } from "../../../../serve";

export const metadata = { title: "Replay" };

export default async function Replay({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  return (
    <ReplayPage
      {...factsOf(context)}
      {...await replayFor(context.book, context.db)}
      limit={context.settings.wrongPerThousand}
    />
  );
}
