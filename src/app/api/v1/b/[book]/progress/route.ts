import { progressOf } from "@/server/runtime/threads/writer";

import { type BookParams, value } from "../../../../../answers";

/** How far a command is that was sent with this key; null where it is not under way. */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  return value(progressOf(book, new URL(request.url).searchParams.get("key") ?? ""));
}
