"use client";

import { useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

const FORMATS = ["csv", "xlsx", "pdf"] as const;

/** What of an address is not the list's filter: which row is open, and which page is seen. */
const NOT_FILTER = ["open", "page"];

/**
 * The list as a file, or as pages to print, just as it is filtered and sorted: what stands in the
 * address goes along. `more` is what the page takes for granted where the address says nothing.
 */
export function ListFiles({
  book,
  list,
  more = {},
}: {
  book: string;
  list: string;
  more?: Readonly<Record<string, string>>;
}): ReactNode {
  const query = new URLSearchParams(useSearchParams());
  for (const name of NOT_FILTER) query.delete(name);
  for (const [name, value] of Object.entries(more)) query.set(name, value);
  return FORMATS.map((format) => {
    query.set("format", format);
    return (
      <a data-tone="soft" key={format} href={`/api/v1/b/${book}/export/${list}?${query}`}>
        {format === "pdf" ? "Print" : format.toUpperCase()}
      </a>
    );
  });
}
