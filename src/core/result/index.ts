/**
 * Expected failures are values, never exceptions. `code` is a key of the
 * catalogue of messages in `src/server/messages.ts`; the other fields are the
 * facts the message needs (never a card or account number).
 */
export type Failure<Code extends string = string> = { code: Code } & Facts;
type Facts = { [fact: string]: string | number | boolean | null | undefined };

export type Result<T, Code extends string = string> =
  { ok: true; value: T } | { ok: false; error: Failure<Code> };

export function ok<T>(value: T): { ok: true; value: T } {
  return { ok: true, value };
}

/** @example fail("account.unknown", { account: "card" }); a fact cannot be called `code`. */
export function fail<Code extends string>(
  code: Code,
  facts: Facts & { code?: never } = {},
): { ok: false; error: Failure<Code> } {
  return { ok: false, error: { ...facts, code } };
}
