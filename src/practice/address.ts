import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";

import { z } from "zod";

import type { Day } from "@/core/calendar";
import { fail, type Result } from "@/core/result";
import type { ChargeAnswer, KeptMethod } from "@/core/paying";
import { bookContext } from "@/server/runtime/bookContext";
import { isBookName } from "@/server/runtime/folders";

import { practiceProcessorOf } from "./practiceOf";
import type { PracticeProcessor } from "./processor";
import { ACCOUNTS, signInPage, takeSignedIn } from "./signIn";

const short = z.string().max(40);
const card = z.object({ number: short, expiry: short, code: short });
const account = z.object({ routing: short, account: short, again: short });
/** The code that a card's bank has sent; null: its owner gives up. */
const code = z.object({ charge: short, code: short.nullable() });
/** Who has signed in at the practice bank, and which account may be used. */
const signedIn = z.object({ name: z.string().trim().min(1).max(40), account: z.enum(ACCOUNTS) });
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
  const page = signInPageFor(request);
  if (page !== null) {
    response.writeHead(200, { ...open, "content-type": "text/html; charset=utf-8" }).end(page);
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

async function take(request: IncomingMessage): Promise<Result<KeptMethod | ChargeAnswer>> {
  const asked = /^\/(?<book>[a-z0-9-]+)\/(?<what>[a-z-]+)$/.exec(request.url ?? "")?.groups;
  const { book = "", what = "" } = asked ?? {};
  const context = isBookName(book) ? bookContext(book) : null;
  const taker = Object.hasOwn(TAKERS, what) ? TAKERS[what] : undefined;
  // Only a book that practises has a practice processor.
  if (request.method !== "POST" || !context || context.settings.clock === null || !taker)
    return fail("practice.none", { book });
  return taker(practiceProcessorOf(book), await bodyOf(request), context.today);
}

type Take = (
  processor: PracticeProcessor,
  body: unknown,
  today: Day,
) => Result<KeptMethod | ChargeAnswer>;
/** What is taken here, each by its own address. */
const TAKERS: Readonly<Record<string, Take>> = {
  cards: (processor, body, today) => {
    const read = card.safeParse(body);
    return read.success ? processor.takeCard(read.data, today) : fail("card.number");
  },
  accounts: (processor, body) => {
    const read = account.safeParse(body);
    return read.success ? processor.takeAccount(read.data) : fail("account.form");
  },
  "signed-in": (processor, body) => {
    const read = signedIn.safeParse(body);
    return read.success ? takeSignedIn(processor, read.data) : fail("account.form");
  },
  codes: (processor, body) => {
    const read = code.safeParse(body);
    return read.success
      ? processor.takeCode(read.data.charge, read.data.code)
      : fail("code.wrong", { field: "bankCode" });
  },
};

/** The practice bank's page for the page around it; null where something else is asked for. */
function signInPageFor({ method, url }: IncomingMessage): string | null {
  const asked = /^\/(?<book>[a-z0-9-]+)\/sign-in\?for=(?<around>[\w.:%-]{1,200})$/.exec(url ?? "");
  const { book = "", around = "" } = asked?.groups ?? {};
  const origin = decodeURIComponent(around);
  return method === "GET" && isBookName(book) && /^https?:\/\/[\w.:-]+$/.test(origin)
    ? signInPage(book, origin)
    : null;
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
