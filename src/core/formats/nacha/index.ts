import type { FileFormat } from "../fileFormat";
import { maskedNacha } from "./masked";
import { isNacha, nachaTable } from "./nacha";

/** ACH files: 94 characters a record (Nacha file format). */
export const nacha: FileFormat = {
  name: "nacha",
  recognizes: isNacha,
  read: nachaTable,
  masked: maskedNacha,
};
