import { toDecimal } from "@/core/money";
import type { Stage } from "@/core/invoices";
import { linkOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { documentById, documentOfItem } from "@/db/documents";
import { readSettings } from "@/db/settings";

/** A document as the command line and other programs are told of it; sums as decimal text. */
export type ToldDocument = {
  /** Its name in the file of orders. */
  document: string;
  number: string | null;
  state: Stage;
  issued_on: string;
  due_on: string;
  net: string;
  tax: string;
  total: string;
  /** Where its customer sees the account. */
  link: string;
};

/** Throws for a document that is not there: it was made just now. */
export function toldDocument(db: Db, document: string, id: number): ToldDocument {
  const found = documentById(db, id);
  if (!found) throw new Error("a document that was made is there");
  const sum = (amount: number): string => toDecimal(amount, found.currency);
  return {
    document,
    number: found.number,
    state: found.stage,
    issued_on: found.issuedOn,
    due_on: found.dueOn,
    net: sum(found.net),
    tax: sum(found.tax),
    total: sum(found.total),
    link: `${readSettings(db).linkBase ?? localBase()}/account/${linkOf(db, found.customerId)}`,
  };
}

/** The document behind an open item; null for one that came by a file. */
export function toldItem(db: Db, itemId: number): ToldDocument | null {
  const document = documentOfItem(db, itemId);
  return document ? toldDocument(db, document.orderRef ?? "", document.id) : null;
}

/** Where this machine's own server has the customers' pages, until the book says another address. */
export const localBase = (): string =>
  `http://127.0.0.1:${process.env.PUBLIC_PORT ?? process.env.PORT ?? "3000"}`;
