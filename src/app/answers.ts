import "server-only";

import { NextResponse } from "next/server";

import { type Day, parseDay } from "@/core/calendar";
import type { Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { inWords } from "@/server/runtime/messages";
import { reading } from "@/server/runtime/threads/reader";

/** What does a request for a book's data come with. */
export type BookParams<More extends object = object> = { params: Promise<{ book: string } & More> };

const STATUS: Record<string, number> = {
  "book.missing": 404,
  "command.unknown": 404,
  "book.locked": 409,
  "file.large": 413,
  "request.foreign": 403,
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

/** A day of an address's query; undefined where there is none, or none that can be read. */
export function dayOf(query: URLSearchParams, name: string): Day | undefined {
  const parsed = parseDay(query.get(name) ?? "", "ymd");
  return parsed.ok ? parsed.value : undefined;
}

/** Runs a query on a book's reading connection. */
export async function fromBook<More extends object>(
  context: BookParams<More>,
  query: (db: Db, params: { book: string } & More) => unknown,
): Promise<NextResponse> {
  const params = await context.params;
  const db = reading(params.book);
  if (!db) return notThere("book.missing", { book: params.book });
  const found = await query(db, params);
  return found === null ? notThere("act.unknown") : value(found);
}
