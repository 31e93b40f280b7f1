import type { ReactNode } from "react";

import { shellOf } from "@/server/queries/shell";
import { overdueFor, proofsFor } from "@/server/threads/reader";
import { InBook } from "@/ui/Sum";
import { ProofStrip } from "@/ui/shell/ProofStrip";
import { Run } from "@/ui/shell/Run";
import { Notices } from "@/ui/shell/Notices";

import { personOf } from "../../person";
import { pageOf } from "../../serve";

export const dynamic = "force-dynamic";

/** The shell of a book: the run above, the proofs below, the page between them. */
export default async function BookLayout({ children, params }: { children: ReactNode; params: Promise<{ book: string }> }): Promise<ReactNode> {
  const { book, db, today, proposals } = await pageOf(params);
  const shell = { ...shellOf(db, book, proofsFor(book, db), overdueFor(book, db, today, await proposals())), person: await personOf(book) };
  return (
    <InBook currency={shell.currency}><div className="page">
      <Run shell={shell} />
      <Notices book={book}>
        <main className="sheet" id="sheet">{children}</main>
      </Notices>
      <ProofStrip shell={shell} />
    </div></InBook>
  );
}
