import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { scheduleFacts } from "@/server/invoices/queries/schedules";
import { SchedulePage } from "@/ui/schedules/SchedulePage";

import { factsOf, pageOf } from "../../../../serve";

export const metadata = { title: "Schedule" };

export default async function Schedule({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const schedule = scheduleFacts(context.db, context.today, Number((await params).id));
  if (!schedule) notFound();
  return <SchedulePage {...factsOf(context)} schedule={schedule} />;
}
