import { existsSync } from "node:fs";

import { provePackage } from "@/server/books/trail/auditPackage";

import { type Args, EXIT, failed, type Outcome, outcomeOf, wrongCall } from "./outcome";

/** `dozo verify FILE`: proves an audit package by itself, without the book that it is of. */
export async function verify({ values, files }: Args): Promise<Outcome> {
  const [file] = files;
  if (!file || files.length !== 1) return wrongCall("Say which audit package.");
  if (!existsSync(file)) return failed({ code: "file.unreadable", path: file });
  const head = typeof values.head === "string" ? values.head : undefined;
  return outcomeOf(await provePackage(file, head), (proof) => ({
    code: proof.holds ? EXIT.done : EXIT.wrong,
    text: proof.holds
      ? `holds   ${proof.records} records, the last is ${proof.head}`
      : `BROKEN  ${proof.problem}`,
    data: proof,
  }));
}
