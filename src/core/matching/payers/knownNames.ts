import { type Customer, groupHead } from "@/core/parties";

import { pushOnce } from "../lists";
import type { PaidFor } from "../types";
import { Beginnings } from "./beginnings";
import { log2 } from "./evidence";
import { fitsInitials } from "./nearly";
import { namesIn, nameWords, ownDomain } from "./names";
import { LearnedNames } from "./learnedNames";
import {
  BEGINS,
  domainsOf,
  lettersOf,
  nameKey,
  type NameForm,
  payerKeys,
  type Query,
} from "./query";
import { Spellings } from "./spellings";

/** Candidates judged closely; the rarest words of a name bring them up. */
const MOST_CANDIDATES = 14;

/** A name, address or field that more customers share says nothing. */
const MOST_ALIKE = 60;

/** A beginning of fewer letters is no name that was cut off. */
const SHORTEST_BEGINNING = 8;

/** The names, addresses and earlier payments by which customers are known. */
export abstract class KnownNames {
  protected readonly byId: Map<number, Customer>;

  protected readonly heads = new Map<number, number>();

  /** The words of every name that a customer goes by, its own first. */
  protected readonly words = new Map<number, string[][]>();

  protected readonly byEmail = new Map<string, number[]>();

  protected readonly byDomain = new Map<string, number[]>();

  protected readonly byName = new Map<string, number[]>();

  protected readonly byWord = new Map<string, number[]>();

  protected readonly byInitials = new Map<string, number[]>();

  protected readonly byStart = new Map<string, number[]>();

  protected readonly learned = new Map<string, Map<number, number>>();

  private readonly learnedLetters = new LearnedNames();
  private letters: [string, number][] = [];
  private beginnings: Beginnings | null = null;
  private spellings: Spellings | null = null;

  constructor(customers: readonly Customer[]) {
    this.byId = new Map(customers.map((customer) => [customer.id, customer]));
    for (const customer of customers) this.heads.set(customer.id, groupHead(customer, this.byId));
  }

  /** Enters a name that a customer goes by, and the names that stand in it. */
  protected call(id: number, name: string): void {
    for (const part of [name, ...namesIn(name)]) {
      const words = nameWords(part);
      pushOnce(this.words, id, words);
      pushOnce(this.byName, [...words].sort().join(" "), id);
      this.letters.push([lettersOf(part), id]);
      if (words.length >= 3) pushOnce(this.byInitials, words.map((word) => word[0]).join(""), id);
      for (const word of new Set(words)) pushOnce(this.byWord, word, id);
      for (const start of new Set(words.map((word) => word.slice(0, 4))))
        pushOnce(this.byStart, start, id);
    }
  }

  protected enter(
    { payerName, payerEmail, customerId }: PaidFor,
    times: number,
  ): readonly string[] {
    const keys = payerKeys(payerName, payerEmail);
    // What a domain is a part of may be everybody's (`co.uk`).
    const domain = `@@${ownDomain(payerEmail)}`;
    for (const key of keys.filter((known) => !known.startsWith("@@") || known === domain)) {
      const customers = this.learned.get(key) ?? new Map<number, number>();
      const now = (customers.get(customerId) ?? 0) + times;
      if (now > 0) customers.set(customerId, now);
      else customers.delete(customerId);
      if (customers.size > 0) this.learned.set(key, customers);
      else this.learned.delete(key);
    }
    this.learnedLetters.count(lettersOf(payerName), nameKey(payerName), times);
    return [...keys, `${BEGINS}${lettersOf(payerName)}`];
  }

  /** Keys by which a payer is known whose name may be one that was cut off. */
  protected keysOf({ keys, forms }: Query): string[] {
    const cut = forms.filter((form) => form.cut && form.letters.length >= SHORTEST_BEGINNING);
    return [
      ...new Set([...keys, ...cut.flatMap(({ letters }) => this.learnedLetters.of(letters))]),
    ];
  }

  group(id: number): number {
    return this.heads.get(id) ?? id;
  }

  protected candidates(query: Query): Set<number> {
    const { email, domain, forms } = query;
    const ids = new Set<number>();
    const take = (list: readonly number[] | undefined): void => {
      if (list && list.length <= MOST_ALIKE) for (const id of list) ids.add(id);
    };
    if (email !== "") take(this.byEmail.get(email));
    for (const own of domainsOf(domain)) take(this.byDomain.get(own));
    for (const key of this.keysOf(query))
      take([...(this.learned.get(key)?.keys() ?? [])].slice(0, 12));
    for (const form of forms) for (const id of this.called(form)) ids.add(id);
    return ids;
  }

  /** Customers that a written name may mean; one that is there to the letter needs no looking for names like it. */
  private called(form: NameForm): number[] {
    const same = this.byName.get(form.name) ?? [];
    const begun = this.begun(form);
    const known = [...same, ...begun].slice(0, MOST_ALIKE);
    if (same.length > 0 && same.length <= MOST_ALIKE) return known;
    const initials =
      form.words.length === 1 ? (this.byInitials.get(form.words[0] ?? "") ?? []) : [];
    return [...known, ...initials.slice(0, MOST_ALIKE), ...this.elected(form.words)];
  }

  /** Whose names begin as the letters do, to the letter or longer. */
  protected begun({ letters }: NameForm): number[] {
    if (letters.length < SHORTEST_BEGINNING) return [];
    this.beginnings ??= new Beginnings(this.letters);
    return this.beginnings.of(letters, MOST_ALIKE);
  }

  /** Those whose names share the most, and the rarest, words with what is written. */
  protected elected(words: readonly string[]): number[] {
    const votes = new Map<number, number>();
    const vote = (list: readonly number[] | undefined, weight: number, most = 300): void => {
      if (!list || list.length > most) return;
      for (const id of list)
        votes.set(id, (votes.get(id) ?? 0) + weight * log2(1 + this.byId.size / list.length));
    };
    const short = words.some((word) => word.length === 1);
    for (const word of new Set<string>(words)) {
      const bearers = this.byWord.get(word);
      vote(bearers, 1);
      vote(this.byStart.get(word.slice(0, 4)), 0.5);
      if (bearers === undefined)
        for (const near of this.near(word)) vote(this.byWord.get(near), 0.8);
      if (short && word.length > 1)
        vote(this.whoseInitials(bearers ?? [], words), 1, MOST_WITH_INITIALS);
    }
    return [...votes]
      .sort((a, b) => b[1] - a[1] || a[0] - b[0])
      .slice(0, MOST_CANDIDATES)
      .map(([id]) => id);
  }

  private near(word: string): string[] {
    this.spellings ??= new Spellings(this.byWord.keys());
    return this.spellings.near(word);
  }

  /** Of many who share a word, those whose other words begin as written. */
  private whoseInitials(bearers: readonly number[], words: readonly string[]): number[] {
    return bearers.filter((id) =>
      (this.words.get(id) ?? []).some((own) => fitsInitials(words, own)),
    );
  }

  /** How many a name by which a payer is known could mean; an address means one. */
  protected namesakes(key: string, { forms }: Query): number {
    if (key.startsWith("@")) return 1;
    const form = forms.find(({ name }) => name === key) ?? forms[0];
    return Math.max(1, this.groupsOf([...(this.byName.get(key) ?? []), ...this.cutAlike(form)]));
  }

  /** Whose names, as a field that was cut off carries them, may be what is written. */
  protected cutAlike(form: NameForm | undefined): readonly number[] {
    return form?.cut ? this.begun(form) : [];
  }

  protected groupsOf(ids: readonly number[]): number {
    return new Set(ids.map((id) => this.group(id))).size;
  }

  /** How many bits it says that a name has this word. */
  protected readonly rarity = (word: string): number =>
    log2(1 + this.byId.size / (this.byWord.get(word)?.length ?? 1));
}

const MOST_WITH_INITIALS = 60;
