import { maskedNumbers } from "@/core/gate";

import type { FileFormat } from "../fileFormat";
import { is820, table820 } from "./x820";

/** Remittance advice as ASC X12 820. */
export const x820: FileFormat = {
  name: "x820",
  recognizes: is820,
  read: table820,
  masked: maskedNumbers,
};
