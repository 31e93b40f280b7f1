import { type NextRequest, NextResponse } from "next/server";

import { isOwnRequest } from "@/server/runtime/ownRequest";

/**
 * Until sign-in exists the server is for this machine alone: a Host that is not
 * its own (DNS rebinding) or an Origin that is not its own (another site's
 * page) is refused. Account pages alone may be reached under another host.
 */
export function proxy(request: NextRequest): NextResponse {
  // A customer's account page is guarded by its link; whatever leads from outside to this machine
  // gives it another host.
  const forCustomers = request.nextUrl.pathname.startsWith("/account/");
  if (!forCustomers && !isOwnRequest(request.headers)) {
    return NextResponse.json(
      {
        error: {
          code: "host",
          message: "This address is not the server's own. Open it at 127.0.0.1.",
        },
      },
      { status: 403 },
    );
  }
  const response = NextResponse.next();
  response.headers.set(
    "Content-Security-Policy",
    "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
  );
  response.headers.set("X-Content-Type-Options", "nosniff");
  response.headers.set("Referrer-Policy", "no-referrer");
  if (forCustomers) {
    response.headers.set("Cache-Control", "no-store");
    response.headers.set("X-Robots-Tag", "noindex, nofollow");
  }
  return response;
}

/** Not the files' route: what passes here is cut off after 10 MB. That route asks isOwnRequest itself. */
export const config = { matcher: "/((?!_next/static|icon.svg|api/v1/b/[^/]+/files$).*)" };
