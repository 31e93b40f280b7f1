import type { FileFormat } from "../fileFormat";
import { camtTable, isCamt } from "./camt";
import { maskedCamt } from "./masked";

/** Statements and notices of ISO 20022: camt.052, camt.053, camt.054. */
export const camt: FileFormat = {
  name: "camt",
  recognizes: isCamt,
  read: camtTable,
  masked: maskedCamt,
};
