import "server-only";

import type { Metadata } from "next";

import { type StationName, titleOfView } from "@/contracts/views";
import { type DocumentKind, documentTitle } from "@/server/books/queries/documentTitle";
import { bookContext } from "@/server/runtime/bookContext";

import { one, type Search } from "./serve";

/** The title of a station's page, by the view that its address names. */
export function stationTitle(
  station: StationName,
  parameter = "show",
): (page: { searchParams: Search }) => Promise<Metadata> {
  return async ({ searchParams }) => ({
    title: titleOfView(station, one(await searchParams, parameter)),
  });
}

/** The title of a document's page: what it is called everywhere. */
export function titleOfDocument(
  kind: DocumentKind,
): (page: { params: Promise<{ book: string; id: string }> }) => Promise<Metadata> {
  return async ({ params }) => {
    const { book, id } = await params;
    const context = bookContext(book);
    const title = context ? documentTitle(context, kind, Number(id)) : null;
    return title === null ? {} : { title };
  };
}
