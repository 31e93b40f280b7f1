import { textAt, type XmlNode } from "../xml/tree";

/** States of entries that are not booked (ISO 20022, external entry status codes, from memory). */
const PENDING = ["PDNG", "INFO", "FUTR"];

/** The state of an entry: a code, in older versions the text itself, or a word of the bank's own. */
const stateOf = (entry: XmlNode): string =>
  textAt(entry, "Sts", "Cd") ?? textAt(entry, "Sts", "Prtry") ?? textAt(entry, "Sts") ?? "";

/** An entry without a state is booked. */
export const isBooked = (entry: XmlNode): boolean => ["", "BOOK"].includes(stateOf(entry));
export const isPending = (entry: XmlNode): boolean => PENDING.includes(stateOf(entry));
