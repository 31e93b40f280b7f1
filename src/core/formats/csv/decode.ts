import { fail, ok, type Result } from "@/core/result";

import { type NotText, notText } from "./notText";
import { fromWindows1252, isWindows1252 } from "./windows1252";

/**
 * Bytes as text, told by the bytes alone: UTF-8, with or without a byte order mark; UTF-16 with one,
 * or with every other byte empty; else windows-1252, where every byte is a letter of it (WHATWG
 * Encoding). Bytes that are no text are refused by what they are.
 */
export function decodeText(
  bytes: Uint8Array,
): Result<string, "file.empty" | "file.encoding" | NotText> {
  if (bytes.length === 0) return fail("file.empty");
  const foreign = notText(bytes);
  if (foreign) return fail(foreign);
  const wide = utf16Of(bytes);
  if (wide) return ok(new TextDecoder(wide).decode(bytes));
  if (bytes.subarray(0, 4096).includes(0)) return fail("file.binary");
  try {
    return ok(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    return isWindows1252(bytes)
      ? ok(fromWindows1252(bytes))
      : fail("file.encoding", { line: firstBadLine(bytes) });
  }
}

/** UTF-16 by its mark, or by the empty byte beside each of plain letters; null where it is none. */
function utf16Of(bytes: Uint8Array): "utf-16le" | "utf-16be" | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return "utf-16le";
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return "utf-16be";
  const head = bytes.subarray(0, 400);
  if (head.length < 8) return null;
  const empty = (odd: number): number =>
    head.filter((byte, at) => at % 2 === odd && byte === 0).length;
  const enough = head.length * 0.4;
  if (empty(1) > enough && empty(0) === 0) return "utf-16le";
  return empty(0) > enough && empty(1) === 0 ? "utf-16be" : null;
}

function firstBadLine(bytes: Uint8Array): number {
  let line = 1;
  let from = 0;
  for (let at = 0; at <= bytes.length; at += 1) {
    if (at < bytes.length && bytes[at] !== 10) continue;
    try {
      new TextDecoder("utf-8", { fatal: true }).decode(bytes.subarray(from, at));
    } catch {
      return line;
    }
    line += 1;
    from = at + 1;
  }
  return line;
}
