import { addBankingDays, type Day } from "@/core/calendar";
import { fail, ok, type Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";
import type { SmallSums } from "@/db/practiceProofs";

/** So often the sums may be typed (common practice, no source). */
const TRIES = 3;

/** What the practice processor says of the sums that it sends; the demo has no bank to look at. */
export const OF_SMALL_SUMS =
  "Practice bank: they are the two pairs of the account's last four digits, as cents (6712: 0.67 and 0.12).";

/** Two sums under a dollar, by the account's last four digits; a pair of noughts is one cent. */
function sumsFor(lastFour: string): Pick<SmallSums, "first" | "second"> {
  const cents = (pair: string): number => Number(pair) || 1;
  return { first: cents(lastFour.slice(0, 2)), second: cents(lastFour.slice(2)) };
}

export function sendSmallSums(
  store: PracticeStore,
  token: string,
  on: Day,
): Result<{ thereOn: Day }> {
  const method = store.method(token);
  if (method?.way !== "bank") return fail("method.gone");
  const known = store.smallSums(token);
  if (known) return ok({ thereOn: known.thereOn });
  const thereOn = addBankingDays(on, 1);
  store.sendSums(token, { ...sumsFor(method.lastFour), thereOn });
  return ok({ thereOn });
}

/** The order in which they are typed does not matter. */
export function proveBySums(
  store: PracticeStore,
  token: string,
  typed: readonly number[],
): Result<null> {
  return store.together(() => {
    const sent = store.smallSums(token);
    if (!sent) return fail("method.gone");
    if (store.isProven(token)) return ok(null);
    if (sent.tries >= TRIES) return fail("proof.over");
    const [low, high] = [...typed].sort((a, b) => a - b);
    if (low !== Math.min(sent.first, sent.second) || high !== Math.max(sent.first, sent.second)) {
      store.countTry(token);
      return fail(sent.tries + 1 >= TRIES ? "proof.over" : "proof.wrong");
    }
    store.setProven(token);
    return ok(null);
  });
}
