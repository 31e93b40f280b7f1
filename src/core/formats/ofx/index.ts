import { maskedNumbers } from "@/core/gate";

import type { FileFormat } from "../fileFormat";
import { isOfx, ofxTable } from "./ofx";

/** Statements as OFX 1.x and 2.x. */
export const ofx: FileFormat = {
  name: "ofx",
  recognizes: isOfx,
  read: ofxTable,
  masked: maskedNumbers,
};
