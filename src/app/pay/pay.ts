import "server-only";

import { fail, type Failure, type Result } from "@/core/result";
import type { InputOf, OutputOf, CommandName } from "@/server/commands";
import type { DoCommand } from "@/server/paying/payNow";
import { type PayLink, payLinkOf } from "@/server/paying/queries/payPage";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";
import { MARKS } from "@/server/runtime/door/ownRequest";
import { listBooks } from "@/server/runtime/folders";
import { inWords } from "@/server/runtime/messages";
import { execute, standBy } from "@/server/runtime/threads/writer";

export type OpenLink = PayLink & { context: BookContext; run: DoCommand };

/** What is behind a link to pay by, in whichever book it is; null where it leads nowhere, or has ended. */
export function linkedBy(token: string): OpenLink | null {
  const link = linkOrPaid(token);
  return link?.isPaid ? null : link;
}

/** The same where what it is for may be paid already, which its page says. */
export function linkOrPaid(token: string): OpenLink | null {
  if (!/^[0-9a-f]{16,64}$/.test(token)) return null;
  for (const book of listBooks()) {
    const context = bookContext(book);
    const link = context && payLinkOf(context.db, token);
    if (!link) continue;
    standBy(book);
    return { ...link, context, run: runIn(book, "customer") };
  }
  return null;
}

/** Does commands of a book in somebody's name. */
export const runIn =
  (book: string, actor: string): DoCommand =>
  <Name extends CommandName>(name: Name, input: InputOf<Name>, key: string) =>
    execute(book, name, input, { actor, key }) as Promise<Result<OutputOf<Name>>>;

/** From where a customer does something: what is kept with what it agrees to. */
export const whenceOf = ({ headers }: Request): { address: string; agent: string } => ({
  address: (headers.get(MARKS.from) ?? "127.0.0.1").slice(0, 60),
  agent: (headers.get("user-agent") ?? "").slice(0, 400),
});

/** What a customer sends, as JSON that fits; null where it does not. */
export async function bodyOf<T>(
  request: Request,
  schema: { safeParse: (body: unknown) => { success: true; data: T } | { success: false } },
): Promise<T | null> {
  const body: unknown = await request.json().catch(() => null);
  const read = schema.safeParse(body);
  return read.success ? read.data : null;
}

export const refused = (error: Failure, status = 422): Response =>
  Response.json({ error: { code: error.code, message: inWords(error) } }, { status });

export const GONE = fail("pay.link_gone").error;
export const UNREAD = fail("pay.unread").error;

export type LinkParams = { params: Promise<{ token: string }> };

/** Has a customer do something behind its link, with what its page has sent. */
export async function byLink<T>(
  request: Request,
  { params }: LinkParams,
  schema: Parameters<typeof bodyOf<T>>[1],
  take: (linked: OpenLink, asked: T) => Promise<Response>,
): Promise<Response> {
  const linked = linkedBy((await params).token);
  if (!linked) return refused(GONE, 404);
  const asked = await bodyOf(request, schema);
  return asked === null ? refused(UNREAD) : take(linked, asked);
}
