import type { ReactNode } from "react";

import { openItemPage } from "@/db/openItems";
import { InvoicesPage } from "@/ui/invoices/InvoicesPage";

import { one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";

const COLUMNS: Record<string, string> = {
  number: "i.number",
  customer: "c.name",
  issued: "i.issued_on",
  due: "i.due_on",
  total: "i.total",
  open: "i.balance",
};

export default async function Invoices({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  const [page, text, sort] = [pageNumber(search), one(search, "q"), one(search, "sort", "-issued")];
  const state =
    (["open", "overdue", "paid", "all"] as const).find((name) => name === one(search, "state")) ??
    "open";
  const column = COLUMNS[sort.replace("-", "")] ?? "i.issued_on";
  const issued = one(search, "issued") || null;
  const found = openItemPage(db, {
    state,
    today,
    text: text || null,
    issued,
    order: `${column}${sort.startsWith("-") ? " DESC" : ""}, i.id`,
    limit: PAGE_ROWS,
    offset: (page - 1) * PAGE_ROWS,
  });
  return (
    <InvoicesPage
      book={book}
      currency={settings.currency}
      today={today}
      {...found}
      state={state}
      issued={issued}
      text={text}
      sorted={sort}
      page={page}
      pageRows={PAGE_ROWS}
    />
  );
}
