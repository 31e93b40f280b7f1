import { randomBytes } from "node:crypto";

import { Webhook, WebhookVerificationError } from "standardwebhooks";
import { z } from "zod";

import { isoDay } from "@/contracts/values";
import type { Day } from "@/core/calendar";
import type { ProcessorEvent, SentEvent } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";

import { accountsOf } from "./terms";

const SECRET = "events secret";

/** The secret that the practice processor and its book share, made once. */
function secretOf(store: PracticeStore): string {
  const known = store.fact(SECRET);
  if (known !== null) return known;
  const made = `whsec_${randomBytes(24).toString("base64")}`;
  store.setFact(SECRET, made);
  return made;
}

const said = z.object({
  type: z.string(),
  data: z.object({ account: z.string().min(1).max(40), on: isoDay, entry: z.string() }),
});

/**
 * What has happened on a day, an event for each line of the processor's books, signed by Standard
 * Webhooks (https://www.standardwebhooks.com, version 1).
 */
export function eventsOf(store: PracticeStore, on: Day, at: Date): SentEvent[] {
  const hook = new Webhook(secretOf(store));
  return accountsOf(store).flatMap((account) =>
    store.told(account, { to: on }).map((line): SentEvent => {
      const id = `evt_${line.id}`;
      const type = `entry.${line.type.replace(/[^a-z]+/g, "_")}`;
      const body = JSON.stringify({ type, data: { account, on, entry: line.id } });
      const timestamp = String(Math.floor(at.getTime() / 1000));
      return { id, timestamp, signature: hook.sign(id, at, body), body };
    }),
  );
}

/** An event that this processor has signed within the last minutes. Errors: event.signature, event.form. */
export function readEvent(
  store: PracticeStore,
  { id, timestamp, signature, body }: SentEvent,
): Result<ProcessorEvent> {
  const headers = {
    "webhook-id": id,
    "webhook-timestamp": timestamp,
    "webhook-signature": signature,
  };
  try {
    new Webhook(secretOf(store)).verify(body, headers, { jsonParse: false });
  } catch (error) {
    if (error instanceof WebhookVerificationError) return fail("event.signature");
    throw error;
  }
  const read = said.safeParse(parsed(body));
  if (!read.success) return fail("event.form");
  const { account, on } = read.data.data;
  return ok({ id, account, on });
}

function parsed(body: string): unknown {
  try {
    return JSON.parse(body);
  } catch {
    return null;
  }
}
