import type { PaperFacts } from "@/contracts/invoices";
import { linkOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { customerByExternalId } from "@/db/customers";
import { logoOf } from "@/db/logos";
import { readSettings } from "@/db/settings";

import type { PaperExtras } from "./paperPdf";

/** The picture of a paper's look, and the address of its customer's account page as it is now. */
export function extrasOf(db: Db, { look, customer }: PaperFacts): PaperExtras {
  const { linkBase } = readSettings(db);
  const known = customerByExternalId(db, customer.id);
  return {
    logo: look?.logo == null ? null : (logoOf(db, look.logo)?.bytes ?? null),
    link:
      linkBase === null || known === undefined ? "" : `${linkBase}/account/${linkOf(db, known.id)}`,
  };
}
