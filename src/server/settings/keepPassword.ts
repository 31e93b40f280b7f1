import type { CommandContext } from "@/server/runtime/context";
import { keepSecret, type SecretName } from "@/server/runtime/secrets";

/**
 * Keeps a password outside the book once what is written in it stays: left out, it stays as it was;
 * empty, or where what it is for goes, it goes.
 */
export function keepPassword(
  ctx: CommandContext,
  name: SecretName,
  { secret, isGone }: { secret: string | undefined; isGone: boolean },
): void {
  const kept = isGone ? "" : secret;
  if (kept !== undefined)
    ctx.afterwards(() => keepSecret(ctx.who.book, name, kept === "" ? null : kept));
}
