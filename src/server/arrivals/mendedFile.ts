import { existsSync, readFileSync } from "node:fs";

import { decodeText, formatOf, mended, type MendedCell } from "@/core/formats";
import { fail, type Result } from "@/core/result";
import { keptFile } from "@/server/runtime/folders";

/** A list that is kept, with a cell written anew. Errors: those of its reading, mend.format, mend.cell. */
export function mendedFile(book: string, sha256: string, cell: MendedCell): Result<string> {
  if (!/^[0-9a-f]{64}$/.test(sha256) || !existsSync(keptFile(book, sha256)))
    return fail("file.missing");
  const text = decodeText(readFileSync(keptFile(book, sha256)));
  if (!text.ok) return text;
  return formatOf(text.value).name === "csv" ? mended(text.value, cell) : fail("mend.format");
}
