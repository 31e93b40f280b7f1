import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { customerFacts } from "@/server/customers/queries/customerFacts";
import { CustomerFormPage } from "@/ui/customers/form/CustomerFormPage";

import { factsOf, pageOf } from "../../../../../serve";
import { titleOfDocument } from "../../../../../titles";

export const generateMetadata = titleOfDocument("customer");

export default async function ChangeCustomer({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const facts = customerFacts(context.db, Number((await params).id));
  if (!facts) notFound();
  return <CustomerFormPage {...factsOf(context)} facts={facts} />;
}
