import type { ReactNode } from "react";

import { newScheduleFacts } from "@/server/invoices/queries/schedules";
import { ScheduleEditor } from "@/ui/schedules/ScheduleEditor";

import { idIn, pageOf, type Search } from "../../../../serve";

export const metadata = { title: "New schedule" };

export default async function NewSchedule({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { db, today } = await pageOf(params);
  const search = await searchParams;
  const editor = newScheduleFacts(db, today, {
    documentId: idIn(search, "document"),
    customerId: idIn(search, "customer"),
  });
  return <ScheduleEditor editor={editor} schedule={null} today={today} />;
}
