import type { FileFormat } from "../fileFormat";
import { maskedCsv } from "./masked";
import { readTable } from "./table";

/** Separated values (RFC 4180); every text that is nothing else. */
export const csv: FileFormat = {
  name: "csv",
  recognizes: () => true,
  read: readTable,
  masked: maskedCsv,
};
