import { customerPage } from "@/db/customers";
import type { BookContext } from "@/server/runtime/bookContext";

/** The orders that the list of customers may stand in, by their names in the address. */
const ORDERS: Record<string, string> = {
  name: "name, id",
  "-name": "name DESC, id",
  id: "external_id, id",
  "-id": "external_id DESC, id",
  open: "open, name",
  "-open": "open DESC, name",
};

/** A page of the list of customers, with how many there are and what they owe together. */
export function customersPage(
  { db }: BookContext,
  { text, sort, page, pageRows }: { text: string; sort: string; page: number; pageRows: number },
): ReturnType<typeof customerPage> {
  return customerPage(db, {
    text: text || null,
    order: ORDERS[sort] ?? "name, id",
    limit: pageRows,
    offset: (page - 1) * pageRows,
  });
}
