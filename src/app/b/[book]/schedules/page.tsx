import type { ReactNode } from "react";

import { schedulesOn } from "@/server/invoices/queries/schedules";
import { SchedulesPage } from "@/ui/schedules/SchedulesPage";

import { factsOf, pageOf } from "../../../serve";

export const metadata = { title: "Schedules" };

export default async function Schedules({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  return <SchedulesPage {...factsOf(context)} {...schedulesOn(context.db, context.today)} />;
}
