/** Milliseconds after which a window that says nothing counts as closed. */
const SILENT = 25_000;

type Window = { readonly name: string; readonly at: number };

/**
 * Which drafts are open in which windows. It lives as long as the server: each window says anew that
 * it is there, every few seconds.
 */
const open = new Map<string, Map<string, Window>>();

type Here = { readonly book: string; readonly draft: number; readonly window: string };

/**
 * A window says that somebody has a draft open; answered with who has it open in other windows, each
 * name once, the longest first. One's own name among them is oneself, in another window.
 */
export function hasOpen({ book, draft, window }: Here, name: string, at: number): string[] {
  const place = placeOf(book, draft);
  if (open.size >= MOST_OPEN) forget(at);
  const there = still(open.get(place) ?? new Map<string, Window>(), at);
  // Who was there before keeps the place in the order.
  there.set(window, { name, at });
  open.set(place, there);
  return [...new Set([...there].flatMap(([id, other]) => (id === window ? [] : [other.name])))];
}

/** Drafts that are remembered; beyond that the silent ones are let go of first, then all. */
const MOST_OPEN = 1000;
function forget(now: number): void {
  for (const [place, there] of open) if (still(there, now).size === 0) open.delete(place);
  if (open.size >= MOST_OPEN) open.clear();
}

/** A window closed its draft. */
export function hasLeft({ book, draft, window }: Here): void {
  const there = open.get(placeOf(book, draft));
  there?.delete(window);
  if (there?.size === 0) open.delete(placeOf(book, draft));
}

const placeOf = (book: string, draft: number): string => `${book}/${draft}`;

const still = (there: ReadonlyMap<string, Window>, now: number): Map<string, Window> =>
  new Map([...there].filter(([, { at }]) => now - at <= SILENT));
