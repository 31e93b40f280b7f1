import type { Metadata } from "next";
import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { processorAddress } from "@/server/paying/processorAddress";
import { AccountPage } from "@/ui/account/AccountPage";

import { accountOf, visited } from "../account";

export const dynamic = "force-dynamic";
export const metadata: Metadata = { title: "Account", robots: { index: false, follow: false } };

/**
 * A customer's own account page, behind a link that cannot be guessed. `?look` is the clerk's own
 * look, which stands on no history.
 */
export default async function Account({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ look?: string }>;
}): Promise<ReactNode> {
  const { token } = await params;
  const account = accountOf(token);
  if (!account) notFound();
  if ((await searchParams).look === undefined) await visited(token, account, "opened");
  const { page } = account;
  const canPay = processorAddress() !== "" && page.parts.some(({ owed }) => owed > 0);
  return <AccountPage base={`/account/${token}`} pay={canPay ? `/pay/${token}` : null} {...page} />;
}
