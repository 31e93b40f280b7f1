import "server-only";

import type { Origin, OriginPlace } from "@/contracts/history";
import { readForeign } from "@/server/runtime/threads/limited";

/** A page with the line of the file behind it as it was given, read where foreign files are. */
export async function withOrigin<Page extends { origin: OriginPlace | null }>(
  book: string,
  page: Page,
): Promise<Omit<Page, "origin"> & { origin: Origin | null }> {
  return { ...page, origin: page.origin && (await originRead(book, page.origin)) };
}

async function originRead(book: string, { sha256, ...place }: OriginPlace): Promise<Origin> {
  const read =
    place.line === null
      ? null
      : await readForeign<"line">({ what: "line", book, sha256, line: place.line });
  return { ...place, ...(read?.ok ? read.value : { headers: [], cells: [] }) };
}
