import type { ReactNode } from "react";

import { customerPage } from "@/db/customers";
import { CustomersPage } from "@/ui/customers/CustomersPage";

import { one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";

const ORDERS: Record<string, string> = {
  name: "name, id",
  "-name": "name DESC, id",
  id: "external_id, id",
  "-id": "external_id DESC, id",
  open: "open, name",
  "-open": "open DESC, name",
};

export default async function Customers({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  const [page, text, sort] = [pageNumber(search), one(search, "q"), one(search, "sort", "name")];
  const found = customerPage(db, {
    text: text || null,
    order: ORDERS[sort] ?? "name, id",
    limit: PAGE_ROWS,
    offset: (page - 1) * PAGE_ROWS,
  });
  return (
    <CustomersPage
      book={book}
      currency={settings.currency}
      today={today}
      {...found}
      text={text}
      sorted={sort}
      page={page}
      pageRows={PAGE_ROWS}
    />
  );
}
