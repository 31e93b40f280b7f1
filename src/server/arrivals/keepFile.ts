import { createHash } from "node:crypto";
import { createWriteStream, existsSync, mkdirSync, renameSync, rmSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";

import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { wasEverTakenIn } from "@/db/files";

import { keptFile } from "../runtime/folders";
import { maskNumbers } from "./maskNumbers";

/** The largest file that is taken in at once. */
export const MOST_MEGABYTES = 100;

class TooLarge extends Error {}

/** Writes over what must not be kept of a file; the server has a thread with limits do it. */
type Mask = (path: string) => Result<null> | Promise<Result<null>>;

/**
 * Writes a stream to the book's files under its SHA-256, counting as it comes,
 * so that a file that is too large is turned away without being held in memory. What is refused is
 * not kept.
 */
export async function keepFile(
  book: string,
  source: AsyncIterable<Uint8Array>,
  mask: Mask = (path) => maskNumbers(path),
): Promise<Result<{ sha256: string; size: number }>> {
  const part = join(
    dirname(keptFile(book, "0".repeat(64))),
    `.part-${process.pid}-${Math.random().toString(36).slice(2)}`,
  );
  mkdirSync(dirname(part), { recursive: true });
  const hash = createHash("sha256");
  let size = 0;
  async function* counted(): AsyncGenerator<Uint8Array> {
    for await (const chunk of source) {
      size += chunk.length;
      if (size > MOST_MEGABYTES * 1_000_000) throw new TooLarge();
      hash.update(chunk);
      yield chunk;
    }
  }
  try {
    await pipeline(Readable.from(counted()), createWriteStream(part));
  } catch (error) {
    rmSync(part, { force: true });
    if (error instanceof TooLarge) return tooLarge(size);
    throw error;
  }
  const sha256 = hash.digest("hex");
  const masked = size === 0 ? fail("file.empty") : await mask(part);
  if (!masked.ok) {
    rmSync(part, { force: true });
    return masked;
  }
  const path = keptFile(book, sha256);
  if (existsSync(path)) rmSync(part, { force: true });
  else renameSync(part, path);
  return ok({ sha256, size });
}

/** Lets go of a file that was refused; one that was taken in before stays. */
export function dropFile(db: Db, book: string, sha256: string): void {
  if (!wasEverTakenIn(db, sha256)) rmSync(keptFile(book, sha256), { force: true });
}

export function tooLarge(bytes: number): Result<never> {
  return fail("file.large", { size: Math.ceil(bytes / 1_000_000), most: MOST_MEGABYTES });
}

/** The size of a file that was kept before; 0 where there is none. */
export function keptSize(book: string, sha256: string): number {
  return /^[0-9a-f]{64}$/.test(sha256)
    ? (statSync(keptFile(book, sha256), { throwIfNoEntry: false })?.size ?? 0)
    : 0;
}
