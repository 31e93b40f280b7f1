/** Headers that the program adds to a request itself; what comes from outside under these names is taken away. */
export const MARKS = {
  /** It came through a proxy, as its first headers say. */
  proxied: "x-dozo-proxied",
  /** It came through the customers' door; the value is a word that only this process knows. */
  door: "x-dozo-door",
  /** Who asked by that door. */
  from: "x-dozo-from",
} as const;

/** Why a request is not for the clerk's pages, by the code of its words; null where it is. */
export type Refused = "request.host" | "request.proxied" | "request.foreign";

type Asked = { method: string; headers: Headers };

/**
 * Until sign-in exists the clerk's pages are for this machine alone. A Host that is not its own is
 * DNS rebinding; an Origin, or a browser's own word, that is not is another site's page; and what
 * came through a proxy came from who knows where. A form sent without an Origin is nobody's. A link
 * in a mail leads to a customer's page from wherever the mail is read.
 * @see https://www.w3.org/TR/fetch-metadata/
 */
export function refusalOf(
  { method, headers }: Asked,
  { forCustomers = false }: { forCustomers?: boolean } = {},
): Refused | null {
  if (headers.has(MARKS.proxied)) return "request.proxied";
  if (!isOwnHost(headers)) return "request.host";
  const reads = method === "GET" || method === "HEAD";
  if (!isOwnOrigin(headers)) return "request.foreign";
  if (forCustomers && reads) return null;
  return isOwnSite(headers) && (reads || isSaid(headers)) ? null : "request.foreign";
}

const isOwnHost = (headers: Headers): boolean =>
  /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d{1,5})?$/.test(headers.get("host") ?? "");

const isOwnOrigin = (headers: Headers): boolean =>
  [null, `http://${headers.get("host")}`].includes(headers.get("origin"));

/** What browsers say of the page that asks; "none" is a person's own doing. */
const isOwnSite = (headers: Headers): boolean =>
  [null, "same-origin", "none"].includes(headers.get("sec-fetch-site"));

/** Whether a request that changes something says where it comes from, or could not come from a form. */
const isSaid = (headers: Headers): boolean => headers.has("origin") || isJson(headers);

/** What a form of another site cannot send without being asked first. */
const isJson = (headers: Headers): boolean =>
  /^application\/json\b/i.test(headers.get("content-type") ?? "");

/** Whether a request came through the customers' door of this process. */
export function cameByDoor(headers: Headers): boolean {
  const word = headers.get(MARKS.door);
  return word !== null && word === process.env.DOZO_DOOR;
}
