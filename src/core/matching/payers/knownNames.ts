import { wordFit } from "@/core/matching/payers/wordFit";
import { type Customer, groupHead } from "@/core/parties";

import { pushOnce } from "../lists";
import type { PaidFor } from "../types";
import { type Evidence, log2 } from "./evidence";
import { nameWords } from "./names";
import { field, payerKeys, type Query } from "./query";

/** Candidates judged closely; the rarest words of a name bring them up. */
const MOST_CANDIDATES = 14;

/** A name, address or field that more customers share says nothing. */
const MOST_ALIKE = 60;

/** The names, addresses and earlier payments by which customers are known. */
export abstract class KnownNames {
  protected readonly byId: Map<number, Customer>;

  protected readonly heads = new Map<number, number>();

  /** The words of every name that a customer goes by, its own first. */
  protected readonly words = new Map<number, string[][]>();

  protected readonly byEmail = new Map<string, number[]>();

  protected readonly byDomain = new Map<string, number[]>();

  protected readonly byName = new Map<string, number[]>();

  protected readonly byField = new Map<string, number[]>();

  protected readonly byWord = new Map<string, number[]>();

  protected readonly byInitials = new Map<string, number[]>();

  protected readonly byStart = new Map<string, number[]>();

  protected readonly learned = new Map<string, Map<number, number>>();

  /** Enters a name that a customer goes by. */
  constructor(customers: readonly Customer[]) {
    this.byId = new Map(customers.map((customer) => [customer.id, customer]));
    for (const customer of customers) this.heads.set(customer.id, groupHead(customer, this.byId));
  }

  protected call(id: number, name: string): void {
    const words = nameWords(name);
    pushOnce(this.words, id, words);
    pushOnce(this.byName, [...words].sort().join(" "), id);
    pushOnce(this.byField, field(name), id);
    if (words.length >= 3) pushOnce(this.byInitials, words.map((word) => word[0]).join(""), id);
    for (const word of new Set(words)) pushOnce(this.byWord, word, id);
    for (const start of new Set(words.map((word) => word.slice(0, 4))))
      pushOnce(this.byStart, start, id);
  }

  protected enter(
    { payerName, payerEmail, customerId }: PaidFor,
    times: number,
  ): readonly string[] {
    const keys = payerKeys(payerName, payerEmail);
    for (const key of keys) {
      const customers = this.learned.get(key) ?? new Map<number, number>();
      const now = (customers.get(customerId) ?? 0) + times;
      if (now > 0) customers.set(customerId, now);
      else customers.delete(customerId);
      if (customers.size > 0) this.learned.set(key, customers);
      else this.learned.delete(key);
    }
    return keys;
  }

  group(id: number): number {
    return this.heads.get(id) ?? id;
  }

  /** Of a name "doing business as" another, the one that this book knows; else the whole. */
  protected tradeName(name: string): string {
    const parts = name.split(/\b(?:d\/?b\/?a|t\/a|c\/o)\b\.?/i).map((part) => part.trim());
    return parts.length < 2
      ? name
      : (parts.find((part) => this.byName.has([...nameWords(part)].sort().join(" "))) ?? name);
  }

  protected candidates({ email, domain, words, name, cut, keys }: Query): Set<number> {
    const ids = new Set<number>();
    const take = (list: readonly number[] | undefined): void => {
      if (list && list.length <= MOST_ALIKE) for (const id of list) ids.add(id);
    };
    if (email !== "") take(this.byEmail.get(email));
    if (domain) take(this.byDomain.get(domain));
    for (const key of keys) take([...(this.learned.get(key)?.keys() ?? [])].slice(0, 12));
    take(this.byName.get(name));
    if (cut !== "") take(this.byField.get(cut));
    // A name that is there to the letter needs no looking for names like it.
    if (this.byName.has(name) && cut === "") return ids;
    if (words.length === 1) take(this.byInitials.get(words[0] ?? ""));
    for (const id of this.elected(words)) ids.add(id);
    return ids;
  }

  /** Those whose names share the most, and the rarest, words with what is written. */
  protected elected(words: readonly string[]): number[] {
    const votes = new Map<number, number>();
    const vote = (list: readonly number[] | undefined, weight: number): void => {
      if (!list || list.length > 300) return;
      for (const id of list)
        votes.set(id, (votes.get(id) ?? 0) + weight * log2(1 + this.byId.size / list.length));
    };
    for (const word of new Set<string>(words)) {
      vote(this.byWord.get(word), 1);
      vote(this.byStart.get(word.slice(0, 4)), 0.5);
    }
    return [...votes]
      .sort((a, b) => b[1] - a[1] || a[0] - b[0])
      .slice(0, MOST_CANDIDATES)
      .map(([id]) => id);
  }

  /** How many a name by which a payer is known could mean; an address means one. */
  protected namesakes(key: string, query: Query): number {
    if (key.startsWith("@")) return 1;
    return Math.max(1, this.byName.get(key)?.length ?? 1, this.cutAlike(query));
  }

  /** Groups whose names, as an ACH field carries them, are what is written in capitals. */
  protected cutAlike({ cut, capitals }: Query): number {
    return cut !== "" && capitals ? this.groupsOf(this.byField.get(cut) ?? []) : 0;
  }

  protected groupsOf(ids: readonly number[]): number {
    return new Set(ids.map((id) => this.group(id))).size;
  }

  /** A written name against one that a customer goes by, word by word. */
  protected nearly(payer: readonly string[], own: readonly string[]): Evidence | null {
    let [found, all] = [0, 0];
    const free = [...payer];
    for (const word of own) {
      const rarity = log2(1 + this.byId.size / (this.byWord.get(word)?.length ?? 1));
      all += rarity;
      let [best, at] = [0, -1];
      free.forEach((other, index) => {
        const fit = wordFit(other, word);
        if (fit > best) [best, at] = [fit, index];
      });
      if (at >= 0) free.splice(at, 1);
      found += best * rarity;
    }
    const strange = free.reduce(
      (sum, word) =>
        sum + Math.min(4, log2(1 + this.byId.size / (this.byWord.get(word)?.length ?? 1))),
      0,
    );
    const share = found / (all + strange * 0.7);
    if (share < 0.62) return null;
    return {
      weight: Math.max(0.5, (share - 0.55) * 20),
      alone: share >= 0.9 && found >= 6,
      reason: { code: "name", exact: false },
    };
  }
}
