import { csv } from "./csv";
import type { FileFormat } from "./fileFormat";
import { nacha } from "./nacha";

/** The formats that files may come in, the narrowest first; what is none of them is separated values. */
const FORMATS: readonly FileFormat[] = [nacha, csv];

/** The format of a text. */
export function formatOf(text: string): FileFormat {
  return FORMATS.find(({ recognizes }) => recognizes(text)) ?? csv;
}
