import { subscribe } from "node:diagnostics_channel";
import type { IncomingMessage } from "node:http";

import { MARKS } from "./ownRequest";

/** What a proxy adds to a request, or is called by (RFC 7239, RFC 9110 7.6.3; x-… common practice, no source). */
const PROXY_HEADER = /^(?:forwarded|via|x-forwarded-.*|x-real-ip|x-original-.*|cf-connecting-ip)$/;

/**
 * Looks at each request as it came over the wire, before the framework adds headers of its own, and
 * marks those that came through a proxy: by a header, or by HTTP 1.0, which no browser speaks and
 * a proxy in its default settings does.
 */
export function markProxied(request: IncomingMessage): void {
  const proxied =
    request.httpVersion === "1.0" ||
    Object.keys(request.headers).some((name) => PROXY_HEADER.test(name));
  const headers: Record<string, unknown> = request.headers;
  // What somebody wrote under our own name counts as proxied too: nobody but a forger has a reason.
  if (proxied) headers[MARKS.proxied] = "1";
}

const kept = globalThis as typeof globalThis & { dozoMarks?: boolean };

/** Has every request of this process looked at. Doing so twice is doing so once. */
export function watchRequests(): void {
  if (kept.dozoMarks) return;
  kept.dozoMarks = true;
  subscribe("http.server.request.start", (message) =>
    markProxied((message as { request: IncomingMessage }).request),
  );
}
