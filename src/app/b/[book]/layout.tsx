import type { Metadata } from "next";
import type { ReactNode } from "react";

import { shellOf } from "@/server/books/queries/shell";
import { countFor, stateOf } from "@/server/runtime/threads/reader";
import { InBook } from "@/ui/kit/book";
import { Frame } from "@/ui/shell/Frame";

import { personOf } from "../../person";
import { factsOf, pageOf } from "../../serve";

export const dynamic = "force-dynamic";

/** Milliseconds that a page waits for its proofs; where they take longer, it asks for them when it is there. */
const PATIENCE = 150;

/** Each page says what it is and of which business: `Match, Kestrel Row`. */
export async function generateMetadata({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<Metadata> {
  const { settings } = await pageOf(params);
  return { title: { template: `%s, ${settings.name}`, default: settings.name } };
}

/** The shell of a book: the run above, the proofs below, the page between them. */
export default async function BookLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const { book, db } = context;
  const shell = { ...shellOf(db, book), person: await personOf(book) };
  const state = stateOf(db);
  // What cannot be computed is asked for again by the page, which then says why.
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
    <InBook {...factsOf(context)} country={context.settings.country}>
      <Frame shell={shell} counted={counted} state={state}>
        {children}
      </Frame>
    </InBook>
  );
}
