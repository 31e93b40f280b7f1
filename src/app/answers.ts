import "server-only";

import { NextResponse } from "next/server";

import type { Result } from "@/core/result";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";
import { inWords } from "@/server/runtime/messages";
import { readingOf } from "@/server/runtime/threads/reader";

/** What does a request for a book's data come with. */
export type BookParams<More extends object = object> = { params: Promise<{ book: string } & More> };

const STATUS: Record<string, number> = {
  "book.missing": 404,
  "command.unknown": 404,
  "book.locked": 409,
  "book.served": 409,
  "book.held": 409,
  "book.gone": 503,
  "book.replaced": 503,
  "book.unreadable": 503,
  "book.rights": 503,
  "book.newer": 503,
  "limit.time": 413,
  "limit.memory": 413,
  "limit.busy": 503,
  "customer.unknown": 404,
  "item.unknown": 404,
  "disk.full": 507,
  "disk.failed": 503,
  "file.large": 413,
  "request.foreign": 403,
  "request.host": 403,
  "request.proxied": 403,
  bug: 500,
};

/** A result as JSON: its value, or its error with the words of the catalogue. */
export function answer(result: Result<unknown>): NextResponse {
  if (result.ok) return NextResponse.json({ value: result.value ?? null });
  const message =
    result.error.code === "bug"
      ? "Something went wrong in the program itself. Nothing was changed; its log says more."
      : inWords(result.error);
  return NextResponse.json(
    { error: { code: result.error.code, message } },
    { status: STATUS[result.error.code] ?? 422 },
  );
}

export function value(data: unknown): NextResponse {
  return NextResponse.json({ value: data });
}

export function notThere(code = "book.missing", facts: Record<string, string> = {}): NextResponse {
  return NextResponse.json(
    { error: { code, message: inWords({ code, ...facts }) } },
    { status: 404 },
  );
}

/** Why a book cannot be read: it is not there, is damaged, or is another than was opened. */
export function noBook(book: string): NextResponse {
  const opened = readingOf(book);
  return opened.ok ? notThere("book.missing", { book }) : answer(opened);
}

/** Runs a query on a book's reading connection; it is given the book and what stands in the address. */
export async function fromBook<More extends object>(
  request: BookParams<More>,
  query: (context: BookContext & More) => unknown,
): Promise<NextResponse> {
  const params = await request.params;
  const context = bookContext(params.book);
  if (!context) return noBook(params.book);
  const found = await query({ ...params, ...context });
  return found === null ? notThere("act.unknown") : value(found);
}

/** Bytes as a file to be kept. */
export function fileAnswer(
  bytes: Uint8Array | string,
  { type, name }: { type: string; name: string },
): Response {
  return new Response(typeof bytes === "string" ? bytes : new Uint8Array(bytes), {
    headers: { "content-type": type, "content-disposition": `attachment; filename="${name}"` },
  });
}

/** The body, piece by piece; null once it is larger than what is taken. */
export async function bytesOf(request: Request, most: number): Promise<Uint8Array | null> {
  const pieces: Uint8Array[] = [];
  let size = 0;
  for await (const piece of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += piece.length;
    if (size > most) return null;
    pieces.push(piece);
  }
  return new Uint8Array(Buffer.concat(pieces));
}
