import type { ReactNode } from "react";

import { waitingForSecond } from "@/server/books/queries/approvals";
import { ApprovalsPage } from "@/ui/books/ApprovalsPage";

import { factsOf, pageOf } from "../../../serve";

export const metadata = { title: "Approvals" };

export default async function Approvals({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  return <ApprovalsPage {...factsOf(context)} waiting={waitingForSecond(context.db)} />;
}
