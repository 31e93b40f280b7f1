import type { FileFormat } from "../fileFormat";
import { isMt940, mt940Table } from "./mt940";
import { maskedMt940 } from "./masked";

/** Statements of SWIFT: MT940 and MT942. */
export const mt940: FileFormat = {
  name: "mt940",
  recognizes: isMt940,
  read: mt940Table,
  masked: maskedMt940,
};
