import type { Metadata } from "next";
import { redirect } from "next/navigation";
import type { ReactNode } from "react";

import { listBooks } from "@/server/runtime/folders";
import { readingOf } from "@/server/runtime/threads/reader";
import { bookLines } from "@/server/settings/queries/bookLines";
import { NewBook } from "@/ui/books/NewBook";

export const dynamic = "force-dynamic";
export const metadata: Metadata = { title: "Books, Dozo" };

/** Leads to the book; with several, or none, shows them and how to make one. */
export default async function Home({
  searchParams,
}: {
  searchParams: Promise<{ new?: string; closed?: string }>;
}): Promise<ReactNode> {
  const books = listBooks();
  const { new: wantsNew, closed } = await searchParams;
  const [only] = books;
  const opens = closed === undefined && only !== undefined && readingOf(only).ok;
  if (books.length === 1 && opens && wantsNew === undefined) redirect(`/b/${only}/match`);
  return <NewBook books={bookLines()} />;
}
