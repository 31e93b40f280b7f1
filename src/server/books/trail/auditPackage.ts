import { createReadStream, createWriteStream } from "node:fs";
import { createInterface } from "node:readline";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { z } from "zod";

import type { TrailProof } from "@/contracts/books";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { chainHead, rowDigest, type TrailRow } from "@/db/trail";
import type { TrailRecord } from "@/db/trailRecords";

import { trailOf } from "./bookTrail";
import { proveTrail, rememberedDigests } from "./proveTrail";

/**
 * An audit package: one JSON object a line (docs/audit-package.md). First what it is and the head of
 * the chain, then every record in order, then every row as it stands.
 */
const FORMAT = "dozo-audit";
const VERSION = 1;

/** Rows that a package names and does not show: links that open customers' pages. */
const WITHHELD: ReadonlySet<string> = new Set(["account_link"]);

/** Writes the package of a book. */
export async function writePackage(db: Db, path: string): Promise<void> {
  await pipeline(Readable.from(linesOf(db)), createWriteStream(path));
}

function* linesOf(db: Db): Generator<string> {
  const line = (data: object): string => `${JSON.stringify(data)}\n`;
  const { first, later, rows } = trailOf(db);
  yield line({
    format: FORMAT,
    version: VERSION,
    book: db.bookId(),
    head: chainHead(db)?.chain ?? "",
  });
  if (first) yield line({ record: first });
  for (const record of later) yield line({ record });
  for (const { place, key, row = "" } of rows)
    yield line({
      row: WITHHELD.has(place) ? { place, key, digest: rowDigest(row) } : { place, key, row },
    });
}

const text = z.string();
const recordSchema = z.object({
  command: z.object({
    id: z.number().int(),
    key: text,
    name: text,
    actor: text,
    at: text,
    inputHash: text,
    resultHash: text,
  }),
  chain: text,
  acts: z.array(text),
  entries: z.array(text),
  rows: z.array(z.object({ place: text, key: text, digest: text })),
});
const lineSchema = z.union([
  z.object({ record: recordSchema }),
  z.object({
    row: z.object({ place: text, key: text, row: text.optional(), digest: text.optional() }),
  }),
]);
const headerSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  head: text,
});

type Row = Pick<TrailRow, "place" | "key"> & {
  row?: string | undefined;
  digest?: string | undefined;
};

/**
 * Proves a package from its own lines. `head`: what somebody knows to be the last hash, from a backup
 * or a print; a history that was rewritten as a whole has another. Errors: audit.unreadable with
 * the line.
 */
export async function provePackage(path: string, head?: string): Promise<Result<TrailProof>> {
  const [records, rows]: [TrailRecord[], Row[]] = [[], []];
  let [number, said]: [number, string | null] = [0, null];
  for await (const line of createInterface({ input: createReadStream(path) })) {
    number += 1;
    const data = jsonOf(line);
    if (number === 1) {
      const header = headerSchema.safeParse(data);
      if (!header.success) return fail("audit.unreadable", { line: number });
      said = header.data.head;
      continue;
    }
    const read = lineSchema.safeParse(data);
    if (!read.success) return fail("audit.unreadable", { line: number });
    if ("record" in read.data) records.push(read.data.record);
    else rows.push(read.data.row);
  }
  if (said === null) return fail("audit.unreadable", { line: 1 });
  const [first, ...later] = records;
  const proof = proveTrail({ first, later, rows, strays: [], kept: rememberedDigests() });
  return ok(withHead(proof, [said, ...(head === undefined ? [] : [head])]));
}

/** The head must be the one that the package says, and the one that somebody knows. */
function withHead(proof: TrailProof, heads: readonly string[]): TrailProof {
  if (!proof.holds || heads.every((head) => head === proof.head)) return proof;
  return {
    ...proof,
    holds: false,
    problem: `the last record is ${proof.head}, and ${heads.find((head) => head !== proof.head)} was expected`,
  };
}

function jsonOf(line: string): unknown {
  try {
    return JSON.parse(line) as unknown;
  } catch {
    return null;
  }
}
