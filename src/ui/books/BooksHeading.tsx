import NextLink from "next/link";
import type { ReactNode } from "react";

import { type ViewOf, viewsOf } from "@/contracts/views";

import { HeadingEnd, PageHeading, TabLine, Title } from "../kit/headings";
import { ViewWords } from "../kit/ViewWords";

export type BooksView = ViewOf<"books"> | "account";

/** The head of the pages of Books: the sum that counts, the views, and what can be taken along. */
export function BooksHeading({
  view,
  sum,
  end,
}: {
  view: BooksView;
  sum: ReactNode;
  end?: ReactNode;
}): ReactNode {
  return (
    <PageHeading>
      <Title>{sum}</Title>
      <TabLine>
        {viewsOf("books").map(([name, words]) => (
          <NextLink
            key={name}
            href={`?view=${name}`}
            aria-current={
              name === view || (view === "account" && name === "trial") ? "page" : undefined
            }
            prefetch={false}
          >
            <ViewWords>{words}</ViewWords>
          </NextLink>
        ))}
      </TabLine>
      {end ? <HeadingEnd>{end}</HeadingEnd> : null}
    </PageHeading>
  );
}
