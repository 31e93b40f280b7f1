import type { FileFormat } from "../fileFormat";
import { isOfx, ofxTable } from "./ofx";
import { maskedOfx } from "./masked";

/** Statements as OFX 1.x and 2.x. */
export const ofx: FileFormat = {
  name: "ofx",
  recognizes: isOfx,
  read: ofxTable,
  masked: maskedOfx,
};
