import { at, textAt, type XmlNode } from "../xml/tree";

/** A day, or that of a moment, as it is written. */
const dayAt = (node: XmlNode | undefined): string =>
  (textAt(node, "Dt") ?? textAt(node, "DtTm") ?? "").slice(0, 10);

/** The day on which an entry was booked, else that of its value. */
export const bookedOn = (entry: XmlNode): string =>
  dayAt(at(entry, "BookgDt")) || dayAt(at(entry, "ValDt"));

/** The moment of an entry's booking where it is said in UTC: elsewhere it is the bank's own day. Null at midnight. */
export function bookedAt(entry: XmlNode): string | null {
  const text = textAt(entry, "BookgDt", "DtTm") ?? "";
  return /^\d{4}-\d\d-\d\dT(?!00:00)\d\d:\d\d.{0,12}Z$/.test(text) ? text : null;
}
