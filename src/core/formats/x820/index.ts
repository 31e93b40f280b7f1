import { maskedNumbers } from "@/core/gate";

import type { FileFormat } from "../fileFormat";
import { isX12, table820 } from "./x820";

/** Remittance advice as ASC X12 820. */
export const x820: FileFormat = {
  name: "x820",
  recognizes: isX12,
  read: table820,
  masked: maskedNumbers,
};
