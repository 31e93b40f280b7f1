import { randomBytes } from "node:crypto";
import { createReadStream } from "node:fs";
import {
  createServer,
  type IncomingHttpHeaders,
  type IncomingMessage,
  request as ask,
  type Server,
  type ServerResponse,
} from "node:http";
import { RateLimiterMemory } from "rate-limiter-flexible";

import { MARKS } from "./ownRequest";
import { packedOf } from "./packed";
import { linkOfDoing, linkOfPath, makesPaper } from "./publicPaths";

/** What a customer's browser may tell the pages; nothing else of its request is passed on. */
const PASSED_ON = [
  "accept",
  "accept-encoding",
  "accept-language",
  "if-none-match",
  "if-modified-since",
  "next-router-state-tree",
  "next-router-prefetch",
  "next-url",
  "rsc",
  "user-agent",
] as const;

/** What goes along with something that is done: its body, and from where it was sent. */
const PASSED_WITH_BODY = ["content-type", "content-length", "origin", "sec-fetch-site"] as const;
/** The most that a customer sends: which invoices, by what, a few words. */
const MOST_BODY = 16_384;

/** So often a minute: pages by one link, papers by one link, everything from one address. */
const LIMITS = {
  link: new RateLimiterMemory({ points: 120, duration: 60 }),
  paper: new RateLimiterMemory({ points: 20, duration: 60 }),
  doing: new RateLimiterMemory({ points: 20, duration: 60 }),
  address: new RateLimiterMemory({ points: 600, duration: 60 }),
  /** Links that lead nowhere: somebody guesses. */
  wrong: new RateLimiterMemory({ points: 30, duration: 60 }),
};
const HEADERS_WITHIN_MS = 10_000;
const ANSWER_WITHIN_MS = 60_000;
/** A browser opens some six of them. */
const MOST_CONNECTIONS = 2_000;

/**
 * The customers' door: a port of its own that leads to account and pay pages and to nothing else, so
 * that whatever is put in front of it can never reach the clerk's pages. A body is passed on only
 * with the few things that a customer can do, and only a small one.
 */
export function openPublicDoor(door: { port: number; host: string; inner: number }): Server {
  process.env.DOZO_DOOR ??= randomBytes(24).toString("hex");
  const server = createServer(
    { requestTimeout: HEADERS_WITHIN_MS, headersTimeout: HEADERS_WITHIN_MS, maxHeaderSize: 16_384 },
    (request, response) => {
      void admit(request).then((refused) =>
        refused ? say(response, refused) : answer(request, response, door.inner),
      );
    },
  );
  server.maxConnections = MOST_CONNECTIONS;
  return server.listen(door.port, door.host);
}

type Refusal = { status: number; words: string; retryAfter?: number };

async function admit(request: IncomingMessage): Promise<Refusal | null> {
  const { method = "GET", url = "/" } = request;
  const from = addressOf(request);
  if (method === "POST") return admitDoing(request, from);
  if (method !== "GET" && method !== "HEAD")
    return { status: 405, words: "Only pages can be asked for here." };
  const link = linkOfPath(url);
  if (link === null)
    return (await over("wrong", from)) ?? { status: 404, words: "There is no such page." };
  const tooOften = await over("address", from);
  if (tooOften || link === "") return tooOften;
  return (await over("link", link)) ?? (makesPaper(url) ? over("paper", link) : null);
}

/** Something that a customer does: of its own page, in JSON, short, and not too often. */
async function admitDoing(
  { url = "/", headers }: IncomingMessage,
  from: string,
): Promise<Refusal | null> {
  const link = linkOfDoing(url);
  if (link === null)
    return (
      (await over("wrong", from)) ?? { status: 405, words: "Only pages can be asked for here." }
    );
  const site = headers["sec-fetch-site"];
  if (
    !/^application\/json\b/i.test(headers["content-type"] ?? "") ||
    (site && site !== "same-origin")
  )
    return { status: 403, words: "This was sent from another page." };
  const length = Number(headers["content-length"] ?? "x");
  if (!Number.isInteger(length) || length > MOST_BODY)
    return { status: 413, words: "This is too long." };
  return (await over("address", from)) ?? over("doing", link);
}

async function over(limit: keyof typeof LIMITS, whose: string): Promise<Refusal | null> {
  try {
    await LIMITS[limit].consume(whose);
    return null;
  } catch (rejected) {
    const wait = Math.ceil(((rejected as { msBeforeNext?: number }).msBeforeNext ?? 60_000) / 1000);
    return {
      status: 429,
      words: `This was asked for very often. Please try again in ${wait} seconds.`,
      retryAfter: wait,
    };
  }
}

/** Who asks. A proxy on this machine says for whom it does, last in its list; anybody else could say anything. */
function addressOf({ socket, headers }: IncomingMessage): string {
  const peer = socket.remoteAddress ?? "";
  if (!/^(?:::ffff:)?127\.|^::1$/.test(peer)) return peer;
  const [said] = [headers["x-forwarded-for"] ?? ""].flat();
  return said?.split(",").at(-1)?.trim() || peer;
}

function say(response: ServerResponse, { status, words, retryAfter }: Refusal): void {
  response.writeHead(status, {
    "content-type": "text/plain; charset=utf-8",
    "cache-control": "no-store",
    "x-content-type-options": "nosniff",
    ...(retryAfter === undefined ? {} : { "retry-after": String(retryAfter) }),
  });
  response.end(`${words}\n`);
}

/** What was packed beforehand goes as it lies; everything else is asked of the pages. */
function answer(request: IncomingMessage, response: ServerResponse, inner: number): void {
  const accepts = [request.headers["accept-encoding"] ?? ""].flat().join();
  const packed = request.method === "GET" ? packedOf(request.url ?? "/", accepts) : null;
  if (!packed) return passOn(request, response, inner);
  response.writeHead(200, {
    "content-type": packed.type,
    "content-encoding": "br",
    vary: "accept-encoding",
    // Their names change with what is in them.
    "cache-control": "public, max-age=31536000, immutable",
    "x-content-type-options": "nosniff",
  });
  createReadStream(packed.path)
    .on("error", () => response.destroy())
    .pipe(response);
}

function passOn(request: IncomingMessage, response: ServerResponse, inner: number): void {
  const asked = ask(
    {
      host: "127.0.0.1",
      port: inner,
      method: request.method,
      path: request.url,
      headers: {
        ...passed(request.headers, PASSED_ON),
        ...(request.method === "POST" ? passed(request.headers, PASSED_WITH_BODY) : {}),
        [MARKS.from]: addressOf(request),
        host: `127.0.0.1:${inner}`,
        [MARKS.door]: process.env.DOZO_DOOR,
      },
      timeout: ANSWER_WITHIN_MS,
    },
    (answer) => {
      response.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(response);
      if (answer.statusCode === 404) void over("wrong", addressOf(request));
    },
  );
  asked.on("timeout", () => asked.destroy(new Error("timeout")));
  asked.on("error", () => {
    if (response.headersSent) response.destroy();
    else
      say(response, { status: 503, words: "The page cannot be shown just now. Please try again." });
  });
  response.on("close", () => asked.destroy());
  if (request.method === "POST") request.pipe(asked);
  else asked.end();
}

function passed(headers: IncomingHttpHeaders, names: readonly string[]): Record<string, string> {
  return Object.fromEntries(
    names.flatMap((name) => {
      const value = headers[name];
      return typeof value === "string" ? [[name, value]] : [];
    }),
  );
}
