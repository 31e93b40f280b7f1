import type { FileFormat } from "../fileFormat";
import { isX12, table820 } from "./x820";
import { masked820 } from "./masked";

/** Remittance advice as ASC X12 820. */
export const x820: FileFormat = {
  name: "x820",
  recognizes: isX12,
  read: table820,
  masked: masked820,
};

export { ordersWrittenOver } from "./masked";
