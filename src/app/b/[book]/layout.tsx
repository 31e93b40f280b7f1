import type { ReactNode } from "react";

import { lastChange } from "@/db/acts";
import { shellOf } from "@/server/books/queries/shell";
import { countFor } from "@/server/runtime/threads/reader";
import { InBook } from "@/ui/kit/book";
import { Frame } from "@/ui/shell/Frame";

import { personOf } from "../../person";
import { pageOf } from "../../serve";

export const dynamic = "force-dynamic";

/** Milliseconds that a page waits for its proofs; where they take longer, it asks for them when it is there. */
const PATIENCE = 150;

/** The shell of a book: the run above, the proofs below, the page between them. */
export default async function BookLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const { book, db } = await pageOf(params);
  const shell = { ...shellOf(db, book), person: await personOf(book) };
  const change = lastChange(db);
  // What cannot be reckoned is asked for again by the page, which then says why.
  const counted = await Promise.race([
    countFor(book, db).then(
      (count) => count.counted,
      () => null,
    ),
    new Promise<null>((resolve) => {
      setTimeout(() => resolve(null), PATIENCE);
    }),
  ]);
  return (
    <InBook book={book} currency={shell.currency} today={shell.today}>
      <Frame shell={shell} counted={counted} change={change}>
        {children}
      </Frame>
    </InBook>
  );
}
