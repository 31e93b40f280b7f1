import type { ImapFlow } from "imapflow";

import type { MailServer } from "@/core/formats";
import { type Failure, fail, ok, type Result } from "@/core/result";

/** A mail as it lies in the box; `bytes` is null where it is larger than is read. */
export type FetchedMail = { box: string; uid: number; bytes: Buffer | null };

/** The largest mail that is read. */
const MOST_BYTES = 30_000_000;
/** How far back the first look goes, in days. */
const FIRST_LOOK_DAYS = 7;
const PATIENCE_MS = 20_000;

type Box = {
  server: MailServer;
  /** The last mail that was read of a box; null where none was. */
  lastRead: (box: string) => Result<number | null>;
  /** Why a mail could not be kept: then the box is left where it is; null where it was. */
  take: (mail: FetchedMail) => Promise<Failure | null>;
};

/**
 * Hands on each mail of a mailbox that was not read before, in order. Nothing is changed in the box:
 * what a person has not read stays unread. The password goes to another machine under TLS alone.
 * Errors: mailbox.not_reached, mailbox.login.
 */
export async function fetchMails({ server, lastRead, take }: Box): Promise<Result<number>> {
  const { ImapFlow } = await import("imapflow");
  const { host, port, secure, user, secret } = server;
  const client = new ImapFlow({
    host,
    port,
    secure,
    ...(secure || isThisMachine(host) ? {} : { doSTARTTLS: true }),
    auth: { user: user ?? "", pass: secret ?? "" },
    logger: false,
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS * 3,
  });
  // What goes wrong on the line is told by whatever waits for it.
  client.on("error", () => undefined);
  try {
    await client.connect();
    const lock = await client.getMailboxLock("INBOX", { readOnly: true });
    try {
      return await takeNew(client, `${user}@${host}`, { lastRead, take });
    } finally {
      lock.release();
      await client.logout();
    }
  } catch (error) {
    return failureOf(error, host);
  } finally {
    client.close();
  }
}

async function takeNew(
  client: ImapFlow,
  name: string,
  { lastRead, take }: Pick<Box, "lastRead" | "take">,
): Promise<Result<number>> {
  const validity = client.mailbox === false ? 0n : client.mailbox.uidValidity;
  const box = `${name} ${validity}`;
  const read = lastRead(box);
  if (!read.ok) return read;
  const last = read.value;
  const since = new Date(Date.now() - FIRST_LOOK_DAYS * 86_400_000);
  const sought = last === null ? { since } : { uid: `${last + 1}:*` };
  const found = await client.search(sought, { uid: true });
  // `n:*` always names the last mail, though its number may be below n (RFC 9051, seq-range).
  const uids = (found || []).filter((uid) => uid > (last ?? 0)).sort((a, b) => a - b);
  for (const uid of uids) {
    const failed = await take({ box, uid, bytes: await bytesOf(client, uid) });
    if (failed) return { ok: false, error: failed };
  }
  return ok(uids.length);
}

async function bytesOf(client: ImapFlow, uid: number): Promise<Buffer | null> {
  const head = await client.fetchOne(String(uid), { size: true }, { uid: true });
  if (head === false || (head.size ?? 0) > MOST_BYTES) return null;
  const whole = await client.fetchOne(String(uid), { source: true }, { uid: true });
  return whole === false ? null : (whole.source ?? null);
}

const isThisMachine = (host: string): boolean => ["localhost", "127.0.0.1", "::1"].includes(host);

function failureOf(error: unknown, host: string): Result<never> {
  const said = error as { authenticationFailed?: boolean; responseText?: string; code?: string };
  if (said.authenticationFailed === true) return fail("mailbox.login", { host });
  const why = said.responseText ?? said.code ?? (error instanceof Error ? error.message : "");
  return fail("mailbox.not_reached", { host, why: why.slice(0, 120) || "no answer" });
}
