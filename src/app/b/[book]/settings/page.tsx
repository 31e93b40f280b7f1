import type { ReactNode } from "react";

import { bankAccounts } from "@/db/bank";
import { processorAccounts } from "@/db/processor";
import { SetUpPage } from "@/ui/settings/SetUpPage";

import { pageOf } from "../../../serve";

export default async function SetUp({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  return (
    <SetUpPage
      book={book}
      currency={settings.currency}
      today={today}
      settings={settings}
      processors={processorAccounts(db)}
      banks={bankAccounts(db)}
    />
  );
}
