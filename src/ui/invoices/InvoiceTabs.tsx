"use client";

import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { Act } from "../kit/buttons";
import { HeadingEnd, Tab, TabLine } from "../kit/headings";
import { inDialog } from "../kit/keys";

export type InvoiceView = "drafts" | "send" | "open" | "overdue" | "paid" | "all";

const VIEWS: readonly (readonly [InvoiceView, string])[] = [
  ["drafts", "Drafts"],
  ["send", "To send"],
  ["open", "Open"],
  ["overdue", "Overdue"],
  ["paid", "Settled"],
  ["all", "All"],
];

/** The views of Invoices; `query`: what else is asked stays asked. */
export function InvoiceTabs({
  here,
  query = "",
}: {
  here: InvoiceView;
  query?: string;
}): ReactNode {
  return (
    <TabLine>
      {VIEWS.map(([name, words]) => (
        <Tab key={name} href={`?state=${name}${query}`} here={here === name}>
          {words}
        </Tab>
      ))}
    </TabLine>
  );
}

/** Leads to an empty draft, by the key N too. */
export function NewInvoice({ book, children }: { book: string; children?: ReactNode }): ReactNode {
  const router = useRouter();
  const write = (): void => router.push(`/b/${book}/invoices/new`);
  useHotkeys("n", write, { ignoreEventWhen: inDialog, preventDefault: true }, [book]);
  return (
    <HeadingEnd>
      {children}
      <Act main hint="N" onClick={write}>
        Write an invoice
      </Act>
    </HeadingEnd>
  );
}
