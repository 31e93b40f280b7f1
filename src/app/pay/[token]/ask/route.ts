import { askInput } from "@/contracts/questions";

import { bodyOf, GONE, linkedBy, refused, UNREAD } from "../../pay";

/** A customer asks about an invoice, or about its account. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const linked = linkedBy((await params).token);
  if (!linked) return refused(GONE, 404);
  const asked = await bodyOf(request, askInput);
  if (!asked) return refused(UNREAD);
  const { key, ...question } = asked;
  const { customerId, run } = linked;
  const done = await run("askQuestion", { customerId, ...question }, `ask-${key}`);
  return done.ok ? Response.json({ done: true }) : refused(done.error);
}
