import { NextResponse, type NextRequest } from "next/server";

/**
 * Until sign-in exists the server is for this machine alone: a Host that is not
 * its own (DNS rebinding) or an Origin that is not its own (another site's
 * page) is refused.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get("host") ?? "";
  const origin = request.headers.get("origin");
  const own = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/.test(host);
  if (!own || (origin !== null && origin !== `http://${host}`)) {
    return NextResponse.json({ error: { code: "host", message: "This address is not the server's own. Open it at 127.0.0.1." } }, { status: 403 });
  }
  const response = NextResponse.next();
  response.headers.set("Content-Security-Policy", "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'");
  response.headers.set("X-Content-Type-Options", "nosniff");
  response.headers.set("Referrer-Policy", "no-referrer");
  return response;
}

export const config = { matcher: "/((?!_next/static|icon.svg).*)" };
