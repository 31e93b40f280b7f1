/** What the customers' door leads to: account and pay pages behind their links, and what these need to be shown. */
const PATHS: readonly RegExp[] = [
  /^\/account\/[0-9a-f]{16,64}$/,
  /^\/account\/[0-9a-f]{16,64}\/statement$/,
  /^\/account\/[0-9a-f]{16,64}\/(?:invoices|receipts)\/\d{1,15}$/,
  /^\/pay\/[0-9a-f]{16,64}(?:\/questions)?$/,
  /^\/_next\/static\/[\w./~-]{1,300}$/,
  /^\/icon\.svg$/,
];

/** The link that a path of the door leads by; "" for what all pages share; null where the door leads nowhere. */
export function linkOfPath(target: string): string | null {
  const [path = ""] = target.split("?");
  // Nothing that some server on the way could read as another path.
  if (path.includes("..") || path.includes("//") || path.includes("%") || path.includes("\\"))
    return null;
  if (!PATHS.some((known) => known.test(path))) return null;
  return /^\/(?:account|pay)\/([0-9a-f]+)/.exec(path)?.[1] ?? "";
}

/** The link that something is done by, of the few things that a customer can do; null for all else. */
export function linkOfDoing(target: string): string | null {
  return (
    /^\/pay\/([0-9a-f]{16,64})\/(?:payments|plan|agreement|accounts|ask)$/.exec(target)?.[1] ?? null
  );
}

/** Whether a path makes a paper, which takes more than showing a page. */
export const makesPaper = (target: string): boolean =>
  /\/(?:statement|invoices\/\d+|receipts\/\d+)(?:\?|$)/.test(target);
