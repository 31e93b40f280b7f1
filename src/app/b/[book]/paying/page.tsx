import type { ReactNode } from "react";

import { isPractice } from "@/practice";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import { payingPageOf } from "@/server/paying/queries/payingPage";
import { processorAddress } from "@/server/paying/processorAddress";
import { PayingPage } from "@/ui/paying/PayingPage";

import { factsOf, pageOf } from "../../../serve";

export const metadata = { title: "Agreed payments" };

export default async function Paying({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  return (
    <PayingPage
      {...factsOf(context)}
      {...payingPageOf(context.db, context.today, waitingFiles(context.db, context.book))}
      practises={isPractice(context.book)}
      canTake={processorAddress() !== "" && context.settings.clock !== null}
    />
  );
}
