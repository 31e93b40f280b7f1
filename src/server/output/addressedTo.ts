import type { Db } from "@/db/connection";
import { cardOf } from "@/db/customerCards";
import type { CustomerRow } from "@/db/customers";

/** Whom a paper is for, as an envelope has it. */
export const addressedTo = (db: Db, { id, name, externalId }: CustomerRow): string[] => [
  `${name} (${externalId})`,
  ...cardOf(db, id).address,
];
