import { pushOnce } from "../lists";

/** Words shorter than this are too much like others. */
const LEAST = 5;

/**
 * Words by what is left of them when one letter is taken out: a word that was
 * misspelt by one slip shares such a rest with the right one (the symmetric
 * delete method, Garbe 2012; after Mor and Fraenkel 1982).
 */
export class Spellings {
  private readonly byRest = new Map<string, string[]>();

  constructor(words: Iterable<string>) {
    for (const word of words)
      if (word.length >= LEAST) for (const rest of restsOf(word)) pushOnce(this.byRest, rest, word);
  }

  /** Known words that a written one may be by one slip: a letter too many, missing, wrong or swapped. */
  near(written: string): string[] {
    if (written.length < LEAST) return [];
    const found = new Set<string>();
    for (const rest of restsOf(written))
      for (const word of this.byRest.get(rest) ?? []) found.add(word);
    return [...found].slice(0, MOST);
  }
}

const MOST = 40;

const restsOf = (word: string): string[] => [
  word,
  ...Array.from(word, (_, at) => word.slice(0, at) + word.slice(at + 1)),
];
