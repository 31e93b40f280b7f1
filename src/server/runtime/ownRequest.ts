/** Whether a request was sent to this server's own address, and not by another site's page. */
export function isOwnRequest(headers: Headers): boolean {
  const host = headers.get("host") ?? "";
  const origin = headers.get("origin");
  return (
    /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/.test(host) &&
    (origin === null || origin === `http://${host}`)
  );
}
