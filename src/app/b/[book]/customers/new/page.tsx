import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { customerFacts } from "@/server/customers/queries/customerFacts";
import { CustomerFormPage } from "@/ui/customers/form/CustomerFormPage";

import { factsOf, pageOf } from "../../../../serve";

export const metadata = { title: "New customer" };

export default async function NewCustomer({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const facts = customerFacts(context.db, null);
  if (!facts) notFound();
  return <CustomerFormPage {...factsOf(context)} facts={facts} />;
}
