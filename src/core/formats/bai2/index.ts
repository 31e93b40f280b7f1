import type { FileFormat } from "../fileFormat";
import { bai2Table, isBai2 } from "./bai2";
import { maskedBai2 } from "./masked";

/** Balance reports of banks in BAI2. */
export const bai2: FileFormat = {
  name: "bai2",
  recognizes: isBai2,
  read: bai2Table,
  masked: maskedBai2,
};
