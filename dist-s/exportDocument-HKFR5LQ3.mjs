import {
  extrasOf,
  paperOfNumber,
  paperPdf,
  ublOf
} from "./chunk-HV5ESWSA.mjs";
import "./chunk-AQEELLRW.mjs";
import "./chunk-25VLJY7E.mjs";
import {
  openBookToRead
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import "./chunk-NIPXDDDQ.mjs";
import "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import "./chunk-WZI5MHZ3.mjs";
import "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/cli/exportDocument.ts
import { writeFileSync } from "node:fs";
async function exportDocument(format, { book, number, out }) {
  if (typeof book !== "string" || typeof number !== "string")
    return wrongCall("Say --book and --number.");
  const opened = openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  const paper = paperOfNumber(opened.value, number);
  if (!paper.ok) return { ...failed(paper.error), code: EXIT.input };
  const bytes = format === "ubl" ? Buffer.from(ublOf(paper.value)) : await paperPdf(paper.value, extrasOf(opened.value, paper.value));
  if (typeof out !== "string") return { code: EXIT.done, bytes };
  writeFileSync(out, bytes);
  return {
    code: EXIT.done,
    messages: [`${number} is in ${out}`],
    data: { number, file: out }
  };
}
export {
  exportDocument
};
