import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";

import { FILE_KINDS, type FileKind } from "@/core/formats";
import { headLineIn } from "@/core/readings";
import { fail, ok, type Result } from "@/core/result";
import { dropFile, keepFile, keptSize, MOST_MEGABYTES, tooLarge } from "@/server/arrivals/keepFile";
import { inspectKnown } from "@/server/arrivals/inspectKnown";
import { takeByItself } from "@/server/arrivals/takeByItself";
import { execute } from "@/server/runtime/threads/writer";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";
import { arrivedFile, arrivedFiles } from "@/server/runtime/folders";
import { readForeign } from "@/server/runtime/threads/limited";
import { refusalOf } from "@/server/runtime/door/ownRequest";

import { answer, type BookParams, noBook } from "../../../../../answers";
import { personOf } from "../../../../../person";

/**
 * Takes a file's bytes (the body), or one from the book's folder of arrivals
 * (?arrived=NAME), or one kept before (?kept=SHA256, to be read as another
 * kind, or with its head on line &head), and says what it seems to be. Nothing is posted. A program that sends
 * one (?take=1&name=NAME, with &kind and &account where they are known) has it
 * taken in where all of it is proven, and gets the report of an import; else it
 * waits under Arrivals.
 */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const refused = refusalOf(request);
  if (refused) return answer(fail(refused));
  const found = bookContext(book);
  if (!found) return noBook(book);
  const query = new URL(request.url).searchParams;
  const arrived = query.get("arrived");
  const kind = FILE_KINDS.find((name) => name === query.get("kind"));
  const before = query.get("kept");
  if (before !== null)
    return inspected(
      found,
      { sha256: before, size: keptSize(book, before) },
      { name: query.get("name"), kind, head: headLineIn(query.get("head")) },
    );
  const source = sourceOf(request, book, arrived);
  if (!source.ok) return answer(source);
  const kept = await keepFile(book, source.value, (path) =>
    readForeign<"mask">({ what: "mask", path }),
  );
  if (!kept.ok) return answer(kept);
  if (query.get("take") === "1") return taken(found, kept.value, query);
  return inspected(found, kept.value, { name: arrived ?? query.get("name"), kind });
}

/** The bytes that are sent, or of a file that has arrived. */
function sourceOf(
  request: Request,
  book: string,
  arrived: string | null,
): Result<AsyncIterable<Uint8Array>> {
  const length = Number(request.headers.get("content-length") ?? "0");
  if (length > MOST_MEGABYTES * 1_000_000) return tooLarge(length);
  if (arrived !== null)
    return arrivedFiles(book).includes(arrived)
      ? ok(createReadStream(arrivedFile(book, arrived)))
      : fail("file.missing");
  if (request.body === null) return fail("file.empty");
  return ok(request.body as unknown as AsyncIterable<Uint8Array>);
}

/** A name as a file may have it here: its last part, without what no name may hold. */
const fileNameOf = (said: string | null): string =>
  (said ?? "").replaceAll(/^.*[\\/]|\p{Cc}/gsu, "").replace(/^\.+/, "") || "file.csv";

async function taken(
  { book, db, currency }: BookContext,
  kept: { sha256: string; size: number },
  query: URLSearchParams,
): Promise<Response> {
  const file = { ...kept, name: fileNameOf(query.get("name")) };
  const { sha256 } = file;
  const actor = await personOf(book);
  const done = await takeByItself({
    book,
    db,
    file,
    kind: FILE_KINDS.find((name) => name === query.get("kind")),
    account: query.get("account") ?? undefined,
    inspect: (as, head) =>
      readForeign<"inspect">({ what: "inspect", book, sha256, kind: as, currency, head }),
    run: (input, rehearse) =>
      execute(book, "importFile", input, { actor, key: randomUUID(), rehearse }),
  });
  // A file that is refused is not kept.
  if (!done.ok) dropFile(db, book, sha256);
  return answer(done);
}

/** What the one who sends a file says of it. */
type Said = { name: string | null; kind: FileKind | undefined; head?: number | undefined };

async function inspected(
  { book, db, currency }: BookContext,
  file: { sha256: string; size: number },
  { name, kind, head }: Said,
): Promise<Response> {
  const { sha256 } = file;
  const found = await inspectKnown({
    db,
    kind,
    inspect: (as, known) =>
      readForeign<"inspect">({
        ...{ what: "inspect", book, sha256, kind: as, currency },
        head: head ?? known,
      }),
    isSeen: true,
  });
  // A file that is refused is not kept.
  if (!found.ok) dropFile(db, book, sha256);
  return answer(
    found.ok ? { ok: true, value: { ...file, name: name ?? "file.csv", ...found.value } } : found,
  );
}
