import NextLink from "next/link";
import type { ReactNode } from "react";

import { HeadingNote } from "../kit/headings";

/** The most names that a sentence carries. */
const MOST_NAMED = 2;

/**
 * Says which files wait in Arrivals, before letters go: whoever has paid in one of them would be
 * reminded all the same. Nothing where none waits.
 */
export function FilesWaiting({
  book,
  names,
}: {
  book: string;
  names: readonly string[];
}): ReactNode {
  if (names.length === 0) return null;
  const more = names.length - MOST_NAMED;
  return (
    <HeadingNote data-tone="waits">
      {names.slice(0, MOST_NAMED).join(", ")}
      {more > 0 ? ` and ${more} more` : ""} {names.length === 1 ? "waits" : "wait"} in{" "}
      <NextLink href={`/b/${book}/arrivals`} prefetch={false}>
        Arrivals
      </NextLink>
      : whoever paid in {names.length === 1 ? "it" : "them"} would be reminded.
    </HeadingNote>
  );
}
