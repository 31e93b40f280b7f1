import { bai2 } from "./bai2";
import { camt } from "./camt";
import { csv } from "./csv";
import type { FileFormat } from "./fileFormat";
import { markup } from "./markup";
import { mt940 } from "./mt940";
import { nacha } from "./nacha";
import { ofx } from "./ofx";
import { otherText } from "./otherText";
import { ublFile } from "./ublFile";
import { x820 } from "./x820";

/** The formats that files may come in, the narrowest first; what is none of them is separated values. */
const FORMATS: readonly FileFormat[] = [
  nacha,
  camt,
  ublFile,
  ofx,
  bai2,
  mt940,
  x820,
  markup,
  otherText,
  csv,
];

/** The format of a text. */
export function formatOf(text: string): FileFormat {
  return FORMATS.find(({ recognizes }) => recognizes(text)) ?? csv;
}
