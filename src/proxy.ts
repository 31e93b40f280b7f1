import { type NextRequest, NextResponse } from "next/server";

import { cameByDoor, refusalOf } from "@/server/runtime/door/ownRequest";
import { processorAddress } from "@/server/paying/processorAddress";
import { inWords } from "@/server/runtime/messages";

/** Who may see which page, and what a page may load: its own scripts, known by a word of this one answer. */
export function proxy(request: NextRequest): NextResponse {
  const forCustomers = /^\/(?:account|pay)\//.test(request.nextUrl.pathname);
  const byDoor = cameByDoor(request.headers);
  const refused = byDoor ? elsewhereThan(forCustomers) : refusalOf(request, { forCustomers });
  if (refused !== null)
    return NextResponse.json(
      { error: { code: refused, message: inWords({ code: refused }) } },
      { status: 403 },
    );
  const nonce = crypto.randomUUID().replaceAll("-", "");
  const policy = policyWith(
    nonce,
    TAKES_NUMBERS.test(request.nextUrl.pathname) ? processorAddress() : "",
  );
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("Content-Security-Policy", policy);
  response.headers.set("X-Content-Type-Options", "nosniff");
  response.headers.set("Referrer-Policy", "no-referrer");
  response.headers.set("Cross-Origin-Opener-Policy", "same-origin");
  response.headers.set("Cross-Origin-Resource-Policy", "same-origin");
  if (forCustomers) {
    response.headers.set("Cache-Control", "no-store");
    response.headers.set("X-Robots-Tag", "noindex, nofollow");
  }
  return response;
}

/** Pages on which a card or account is typed: a customer's own, and the one on which a clerk takes a payment. */
const TAKES_NUMBERS = /^\/pay\/|^\/b\/[^/]+\/customers\/\d+\/pay$/;

/** By the customers' door nothing is reached but customers' pages. */
const elsewhereThan = (forCustomers: boolean): "request.host" | null =>
  forCustomers ? null : "request.host";

/** Styles are written into the page by the components themselves, and can run nothing. */
const policyWith = (nonce: string, processor: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    // Card and account numbers go to the processor's own address, and never through here.
    `connect-src 'self'${processor === "" ? "" : ` ${processor}`}`,
    // Who signs in at a bank does so on the processor's own page, within ours.
    `frame-src ${processor === "" ? "'none'" : processor}`,
    "worker-src 'self'",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ].join("; ");

/** Not the files' route: what passes here is cut off after 10 MB. That route asks refusalOf itself. */
export const config = { matcher: "/((?!_next/static|icon.svg|api/v1/b/[^/]+/files$).*)" };
