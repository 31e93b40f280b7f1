import type { FileKind } from "../mapping";
import { bank } from "./bank";
import { customers } from "./customers";
import { invoices } from "./invoices";
import { processor } from "./processor";
import { remittance } from "./remittance";
import { returns } from "./returns";
import type { FieldSpec } from "./spec";

/**
 * The fields of each kind of file, with names their columns go by in plain use. The first name is
 * the file layout that was agreed.
 */
export const FIELDS: Readonly<Record<FileKind, readonly FieldSpec[]>> = {
  customers,
  invoices,
  processor,
  bank,
  remittance,
  returns,
};
export type { FieldSpec };
