import { maskedNumbers, writtenOver } from "@/core/gate";

/** The account of a statement, perhaps behind its bank's code, perhaps with its currency behind it. */
const OWN = /^((?:\{4:)?:25P?:(?:[^\r\n/]*\/)?)([^\r\n/]*?)((?:[A-Z]{3})?)$/gm;
/** The other side's in the words of a line: behind `?31` or a code between strokes, on two lines perhaps. */
const OTHER =
  /(\?31|\/(?:CNTP|ACCW|ACCT|BENA|ORDA)\/)((?:[0-9A-Za-z](?:\r?\n)?){5,34})(?=[?/,:\s-]|$)/g;

const over = (_: string, before: string, number: string, behind: string | number): string =>
  before + writtenOver(number) + (typeof behind === "string" ? behind : "");

/** A statement as it may be kept: of every account number the last four signs. */
export const maskedMt940 = (text: string): string =>
  maskedNumbers(text.replace(OWN, over).replace(OTHER, over));
