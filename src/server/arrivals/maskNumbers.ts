import { readFileSync, writeFileSync } from "node:fs";

import { decodeText, formatOf } from "@/core/formats";
import { ok, type Result } from "@/core/result";

import { isPacked, workbookAsCsv } from "./workbook";

/**
 * A card number, or a full account number, is never kept: the file is written over where it has one,
 * and goes by the hash that it came with. A workbook is kept as the CSV of its one list. A file that
 * is no text is not kept at all: its error says why.
 */
export async function maskNumbers(path: string): Promise<Result<null>> {
  const bytes = readFileSync(path);
  const packed = isPacked(bytes);
  const text = packed ? await workbookAsCsv(path) : decodeText(bytes);
  if (!text.ok) return text;
  const masked = formatOf(text.value).masked(text.value);
  if (packed || masked !== text.value) writeFileSync(path, masked);
  return ok(null);
}
