import { askInput } from "@/contracts/questions";

import { byLink, type LinkParams, refused } from "../../pay";

/** A customer asks about an invoice, or about its account. */
export const POST = (request: Request, context: LinkParams): Promise<Response> =>
  byLink(request, context, askInput, async ({ customerId, run }, { key, ...question }) => {
    const done = await run("askQuestion", { customerId, ...question }, `ask-${key}`);
    return done.ok ? Response.json({ done: true }) : refused(done.error);
  });
