import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { isPractice } from "@/practice";
import { PracticePage } from "@/ui/practice/PracticePage";

import { factsOf, pageOf } from "../../../serve";

export const metadata = { title: "The practice clock" };

export default async function Practice({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  if (!isPractice(context.book)) notFound();
  return <PracticePage {...factsOf(context)} />;
}
