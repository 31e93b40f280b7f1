import { createHash } from "node:crypto";
import { existsSync, mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import { ok, type Result } from "@/core/result";
import { keptFile } from "@/server/runtime/folders";

import { paperType } from "./paperType";

/** Keeps a paper's bytes under their hash, where they are of a safe kind; gives the hash. */
export function keepPaper(book: string, bytes: Buffer, name: string): Result<string> {
  const type = paperType(bytes, name);
  if (!type.ok) return type;
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  const path = keptFile(book, sha256);
  if (existsSync(path)) return ok(sha256);
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
  writeFileSync(`${path}.part`, bytes, { mode: 0o600 });
  renameSync(`${path}.part`, path);
  return ok(sha256);
}
