import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";

import { z } from "zod";

import { fail, type Result } from "@/core/result";
import type { KeptMethod } from "@/core/paying";
import { bookContext } from "@/server/runtime/bookContext";
import { isBookName } from "@/server/runtime/folders";

import { practiceProcessorOf } from "./practiceOf";

const short = z.string().max(40);
const card = z.object({ number: short, expiry: short, code: short });
const account = z.object({ routing: short, account: short, again: short });
const MOST_BODY = 2000;
const kept = globalThis as typeof globalThis & { dozoPracticeAddress?: Server };

/**
 * Opens the practice processor's own address where PRACTICE_PORT names a port: pages send it card
 * and account numbers, and get a token. Nothing that is sent here is written anywhere.
 */
export function openPracticeAddress(): void {
  const port = Number(process.env.PRACTICE_PORT ?? "");
  if (kept.dozoPracticeAddress || !Number.isInteger(port) || port < 1 || port > 65_535) return;
  const server = createServer(
    { requestTimeout: 10_000, headersTimeout: 10_000 },
    (request, response) => {
      void answer(request, response);
    },
  );
  server.on("error", (error) => {
    console.error(`dozo: the practice processor's port ${port} cannot be opened: ${error.message}`);
  });
  kept.dozoPracticeAddress = server.listen(port, "127.0.0.1");
}

async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const open = {
    "access-control-allow-origin": "*",
    "access-control-allow-headers": "content-type",
    "cache-control": "no-store",
  };
  if (request.method === "OPTIONS") {
    response.writeHead(204, open).end();
    return;
  }
  const taken = await take(request).catch(() => fail("file.unreadable"));
  const said = taken.ok
    ? taken.value
    : { error: taken.error.code, field: taken.error.field ?? null };
  response
    .writeHead(taken.ok ? 200 : 422, { ...open, "content-type": "application/json" })
    .end(JSON.stringify(said));
}

async function take(request: IncomingMessage): Promise<Result<KeptMethod>> {
  const [, book = "", what] = /^\/([a-z0-9-]+)\/(cards|accounts)$/.exec(request.url ?? "") ?? [];
  const context = isBookName(book) ? bookContext(book) : null;
  // Only a book that practises has a practice processor.
  if (request.method !== "POST" || !context || context.settings.clock === null)
    return fail("practice.none", { book });
  const body = await bodyOf(request);
  const processor = practiceProcessorOf(book);
  if (what === "cards") {
    const read = card.safeParse(body);
    return read.success ? processor.takeCard(read.data, context.today) : fail("card.number");
  }
  const read = account.safeParse(body);
  return read.success ? processor.takeAccount(read.data) : fail("account.form");
}

/** What was sent, as JSON. Throws where it is none, or long. */
async function bodyOf(request: IncomingMessage): Promise<unknown> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of request as AsyncIterable<Buffer>) {
    size += part.length;
    if (size > MOST_BODY) throw new RangeError("too long");
    parts.push(part);
  }
  return JSON.parse(Buffer.concat(parts).toString("utf8"));
}
