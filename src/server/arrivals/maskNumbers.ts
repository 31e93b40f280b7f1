import { readFileSync, rmSync, writeFileSync } from "node:fs";

import { decodeText, formatOf } from "@/core/formats";
import { ok, type Result } from "@/core/result";

import { isPacked, workbookAsCsv } from "./workbook";

/**
 * A card number, or a full account number, is never kept: the file is written over where it has one,
 * and goes by the hash that it came with. A workbook is kept as the CSV of its one list. A file that
 * is no text is not kept at all: its error says why.
 */
export async function maskNumbers(path: string): Promise<Result<null>> {
  const read = await maskedText(path);
  if (!read.ok) return read;
  const { packed, text, masked } = read.value;
  if (packed || masked !== text) writeFileSync(path, masked);
  return ok(null);
}

/**
 * The same for a file in a folder of the business's own, which stays as it came where it has no such
 * number. A workbook that has one becomes the CSV of its list; gives the path at which it lies then.
 */
export async function maskWhereItLies(path: string): Promise<string> {
  const read = await maskedText(path);
  if (!read.ok || read.value.masked === read.value.text) return path;
  const to = read.value.packed ? `${path}.csv` : path;
  writeFileSync(to, read.value.masked);
  if (to !== path) rmSync(path);
  return to;
}

type Masked = { packed: boolean; text: string; masked: string };

async function maskedText(path: string): Promise<Result<Masked>> {
  const bytes = readFileSync(path);
  const packed = isPacked(bytes);
  const text = packed ? await workbookAsCsv(path) : decodeText(bytes);
  if (!text.ok) return text;
  return ok({ packed, text: text.value, masked: formatOf(text.value).masked(text.value) });
}
