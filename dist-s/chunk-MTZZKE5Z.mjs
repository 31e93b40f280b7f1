import {
  proveTrail,
  rememberedDigests,
  trailOf
} from "./chunk-SUQBVPX2.mjs";
import {
  chainHead,
  rowDigest
} from "./chunk-55UEKTAP.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/server/books/trail/auditPackage.ts
import { createReadStream, createWriteStream } from "node:fs";
import { createInterface } from "node:readline";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { z } from "zod";
var FORMAT = "dozo-audit";
var VERSION = 1;
var WITHHELD = /* @__PURE__ */ new Set(["account_link"]);
async function writePackage(db, path) {
  await pipeline(Readable.from(linesOf(db)), createWriteStream(path));
}
function* linesOf(db) {
  const line = (data) => `${JSON.stringify(data)}
`;
  const { first, later, rows } = trailOf(db);
  yield line({
    format: FORMAT,
    version: VERSION,
    book: db.bookId(),
    head: chainHead(db)?.chain ?? ""
  });
  if (first) yield line({ record: first });
  for (const record of later) yield line({ record });
  for (const { place, key, row = "" } of rows)
    yield line({
      row: WITHHELD.has(place) ? { place, key, digest: rowDigest(row) } : { place, key, row }
    });
}
var text = z.string();
var recordSchema = z.object({
  command: z.object({
    id: z.number().int(),
    key: text,
    name: text,
    actor: text,
    at: text,
    inputHash: text,
    resultHash: text
  }),
  chain: text,
  acts: z.array(text),
  entries: z.array(text),
  rows: z.array(z.object({ place: text, key: text, digest: text }))
});
var lineSchema = z.union([
  z.object({ record: recordSchema }),
  z.object({
    row: z.object({ place: text, key: text, row: text.optional(), digest: text.optional() })
  })
]);
var headerSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  head: text
});
async function provePackage(path, head) {
  const [records, rows] = [[], []];
  let [number, said] = [0, null];
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
  return ok(withHead(proof, [said, ...head === void 0 ? [] : [head]]));
}
function withHead(proof, heads) {
  if (!proof.holds || heads.every((head) => head === proof.head)) return proof;
  return {
    ...proof,
    holds: false,
    problem: `the last record is ${proof.head}, and ${heads.find((head) => head !== proof.head)} was expected`
  };
}
function jsonOf(line) {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}

export {
  writePackage,
  provePackage
};
