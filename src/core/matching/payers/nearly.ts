import type { Evidence } from "./evidence";
import type { NameForm } from "./query";
import { wordFit } from "./wordFit";

type Rarity = (word: string) => number;

/** The name of a customer that is most like what is written. */
export function nearest(
  form: NameForm,
  names: readonly (readonly string[])[],
  rarity: Rarity,
): Evidence | null {
  let best: Evidence | null = null;
  for (const own of names) {
    const entry = nearly(form, own, rarity);
    if (entry !== null && (best === null || entry.weight > best.weight)) best = entry;
  }
  return best;
}

/** A written name against one that a customer goes by, word by word; words weigh by how rare they are in the book. */
function nearly(form: NameForm, own: readonly string[], rarity: Rarity): Evidence | null {
  const free = [...form.words];
  const shown = form.cut ? shownOf(form.words, own) : own.length;
  let [found, all] = [0, 0];
  for (const word of own.slice(0, shown)) {
    all += rarity(word);
    const [fit, at] = bestOf(free, word);
    if (at >= 0) free.splice(at, 1);
    found += fit * rarity(word);
  }
  const strange = free.reduce((sum, word) => sum + Math.min(4, rarity(word)), 0);
  const share = found / (all + strange * 0.7);
  if (share < LEAST_SHARE) return null;
  return {
    weight: Math.max(0.5, (share - 0.55) * 20),
    alone: (share >= 0.8 && found >= 9) || (share >= 0.9 && found >= 6),
    reason: { code: "name", exact: false },
  };
}

const LEAST_SHARE = 0.62;

function bestOf(written: readonly string[], word: string): [fit: number, at: number] {
  let [best, at] = [0, -1];
  written.forEach((other, index) => {
    const fit = wordFit(other, word);
    if (fit > best) [best, at] = [fit, index];
  });
  return [best, at];
}

/** Where a field ended within a word, the words behind it could not be seen: how many could. */
function shownOf(words: readonly string[], own: readonly string[]): number {
  const last = words[words.length - 1] ?? "";
  const at = words.length - 1;
  const next = own[at];
  if (own.length <= words.length) return own.length;
  if (next !== undefined && next.startsWith(last)) return at + 1;
  return own.length;
}

/** Whether words in their order are another name's, some of them but initials. */
export function fitsInitials(words: readonly string[], own: readonly string[]): boolean {
  return (
    words.length === own.length &&
    words.every((word, at) =>
      word.length === 1 ? own[at]?.startsWith(word) : wordFit(word, own[at] ?? "") >= 0.85,
    )
  );
}
