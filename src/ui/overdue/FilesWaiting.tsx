import NextLink from "next/link";
import type { ReactNode } from "react";

import { filesInWords } from "@/core/followup";

import { HeadingNote } from "../kit/headings";

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
  return (
    <HeadingNote data-tone="waits">
      {filesInWords(names)} {names.length === 1 ? "waits" : "wait"} in{" "}
      <NextLink href={`/b/${book}/arrivals`} prefetch={false}>
        Arrivals
      </NextLink>
      : whoever paid in {names.length === 1 ? "it" : "them"} would be reminded.
    </HeadingNote>
  );
}

/** What is said before letters go: they cannot be taken back, and may go to somebody who has paid. */
export function LeavingForGood({ waiting }: { waiting: number }): ReactNode {
  if (waiting === 0) return "They leave the house now, for good.";
  return <span data-tone="waits">They leave the house before those files are read, for good.</span>;
}
