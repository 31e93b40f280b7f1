import { readFileSync, writeFileSync } from "node:fs";

import { decodeText, formatOf } from "@/core/formats";
import { ok, type Result } from "@/core/result";

/**
 * A card number, or a full account number, is never kept: the file is written over where it has one,
 * and goes by the hash that it came with. A file that is no text is not kept at all: its error says why.
 */
export function maskNumbers(path: string): Result<null> {
  const text = decodeText(readFileSync(path));
  if (!text.ok) return text;
  const masked = formatOf(text.value).masked(text.value);
  if (masked !== text.value) writeFileSync(path, masked);
  return ok(null);
}
