import { Readable } from "node:stream";

import { XMLParser } from "fast-xml-parser";
import { parse as parseSwift } from "swiftmessageparser";
import { X12parser } from "x12-parser";

/** Days and sums in cents, as a general-purpose library reads them. */
export type Second = [day: string, sum: number][];

type Node = { readonly [name: string]: unknown };
const inCents = (text: unknown): number => Math.round(Number(text) * 100);
const at = (node: unknown, ...path: string[]): unknown =>
  path.reduce<unknown>((here, name) => (here as Node | undefined)?.[name], node);
const list = (node: unknown): unknown[] => (node === undefined ? [] : [node].flat());
const xml = new XMLParser({ ignoreAttributes: true, parseTagValue: false });

/** XML as fast-xml-parser reads it, which knows nothing of statements. */
export const ofxBySecond = (text: string): Second =>
  list(
    at(xml.parse(text), "OFX", "BANKMSGSRSV1", "STMTTRNRS", "STMTRS", "BANKTRANLIST", "STMTTRN"),
  ).map((line) => {
    const day = String(at(line, "DTPOSTED"));
    return [
      `${day.slice(0, 4)}-${day.slice(4, 6)}-${day.slice(6, 8)}`,
      inCents(at(line, "TRNAMT")),
    ];
  });

export const camtBySecond = (text: string): Second =>
  list(at(xml.parse(text), "Document", "BkToCstmrStmt", "Stmt", "Ntry")).map((entry) => [
    String(at(entry, "BookgDt", "Dt")),
    inCents(at(entry, "Amt")) * (at(entry, "CdtDbtInd") === "DBIT" ? -1 : 1),
  ]);

/** SWIFT's text as swiftmessageparser reads it. */
export async function mt940BySecond(text: string): Promise<Second> {
  const [statement] = await parseSwift({ type: "mt940", data: text });
  return (statement?.transactions ?? []).map(({ date, amount }) => [
    new Date(date).toISOString().slice(0, 10),
    inCents(amount),
  ]);
}

/** X12 as x12-parser reads it: day and sum of each payment order. */
export async function x12BySecond(text: string): Promise<Second> {
  const found: Second = [];
  const segments = Readable.from([Buffer.from(text)]).pipe(new X12parser());
  for await (const segment of segments as AsyncIterable<Record<string, string>>)
    if (segment.name === "BPR") {
      const day = segment["16"] ?? "";
      found.push([
        `${day.slice(0, 4)}-${day.slice(4, 6)}-${day.slice(6, 8)}`,
        inCents(segment["2"]),
      ]);
    }
  return found;
}

/** BAI2 by its records alone, each group with its day: an own second reading, as no package reads it. */
export function bai2BySecond(text: string): Second {
  let day = "";
  return text.split("\n").flatMap((record): Second => {
    const fields = record.split(",");
    if (fields[0] === "02") day = `20${(fields[4] ?? "").replace(/(..)(..)(..)/, "$1-$2-$3")}`;
    if (fields[0] !== "16") return [];
    return [[day, Number(fields[2]) * (Number(fields[1]) >= 400 ? -1 : 1)]];
  });
}
