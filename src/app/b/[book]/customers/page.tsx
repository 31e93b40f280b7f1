import type { ReactNode } from "react";

import { customersPage } from "@/server/customers/queries/customersPage";
import { CustomersPage } from "@/ui/customers/CustomersPage";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("customers");

export default async function Customers({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  const [page, text, sort] = [pageNumber(search), one(search, "q"), one(search, "sort", "name")];
  return (
    <CustomersPage
      {...factsOf(context)}
      {...customersPage(context, { text, sort, page, pageRows: PAGE_ROWS })}
      text={text}
      sorted={sort}
      page={page}
      pageRows={PAGE_ROWS}
    />
  );
}
