import { plainWords } from "@/core/formats";

/** Words that many names have. */
const OF_ANY = /^(?:and|the|of|inc|llc|ltd|co|company|corp|gmbh|sarl)$/;

/** The words that tell a name from others. */
export const wordsOf = (name: string): string[] =>
  plainWords(name)
    .split(" ")
    .filter((word) => /\p{L}{2}/u.test(word) && !OF_ANY.test(word));

/** Names of one begin alike, or have two words in common: one alone may be that of a trade. */
export const mayBeOne = (mine: readonly string[], theirs: readonly string[]): boolean =>
  mine[0] === theirs[0] || mine.filter((word) => theirs.includes(word)).length > 1;

/** Whether a name is ours: it begins with two of our words, or with all that we have. */
export const isOwn = (mine: readonly string[], own: readonly string[]): boolean =>
  own.length > 0 && own.slice(0, 2).every((word, at) => mine[at] === word);
