import { type Customer, groupHead } from "@/core/parties";

import { pushOnce } from "../lists";
import type { MatchingInput, MatchReceipt, PaidFor, Payer, Reason } from "../types";
import { nameWords, ownDomain } from "./names";
import { agreement, disagreement } from "./weights";
import { wordFit } from "./wordFit";

const log2 = Math.log2;
/** m: how often the evidence agrees for the right customer; u: how often by chance for another. */
const AGREE = {
  email: agreement(0.95, 0.0005),
  learned: agreement(0.95, 0.002),
  domain: agreement(0.6, 0.005),
};
/** Another address than the known one, where both have one: people pay from many, so it says little. */
const OTHER_EMAIL = disagreement(0.6, 0.0005);
/** Candidates judged closely; the rarest words of a name bring them up. */
const MOST_CANDIDATES = 14;
const MOST_PAYERS = 8;
/** A name, address or field that more customers share says nothing. */
const MOST_ALIKE = 60;

export class PayerIndex {
  private readonly byId: Map<number, Customer>;
  private readonly heads = new Map<number, number>();
  /** The words of every name that a customer goes by, its own first. */
  private readonly words = new Map<number, string[][]>();
  private readonly byEmail = new Map<string, number[]>();
  private readonly byDomain = new Map<string, number[]>();
  private readonly byName = new Map<string, number[]>();
  private readonly byField = new Map<string, number[]>();
  private readonly byWord = new Map<string, number[]>();
  private readonly byInitials = new Map<string, number[]>();
  private readonly byStart = new Map<string, number[]>();
  private readonly learned = new Map<string, Map<number, number>>();
  private readonly known = new Map<string, readonly Payer[]>();
  private isIndexed = false;

  constructor(private readonly input: Pick<MatchingInput, "customers" | "history">) {
    this.byId = new Map(input.customers.map((customer) => [customer.id, customer]));
    for (const customer of input.customers)
      this.heads.set(customer.id, groupHead(customer, this.byId));
  }

  /** Takes over payers that were found elsewhere (payersFor). */
  know(payers: ReadonlyMap<string, readonly Payer[]>): void {
    for (const [key, found] of payers) this.known.set(key, found);
  }

  /** The indexes are made when a payer is first looked for: where all were found before, never. */
  private index(): void {
    if (this.isIndexed) return;
    this.isIndexed = true;
    for (const customer of this.input.customers) {
      if (customer.email) pushOnce(this.byEmail, customer.email.toLowerCase(), customer.id);
      const domain = customer.email ? ownDomain(customer.email) : null;
      if (domain) pushOnce(this.byDomain, domain, customer.id);
      for (const name of [customer.name, ...(customer.aliases ?? [])]) this.call(customer.id, name);
    }
    for (const paid of this.input.history) this.enter(paid, paid.times);
  }

  /** Enters a name that a customer goes by. */
  private call(id: number, name: string): void {
    const words = nameWords(name);
    pushOnce(this.words, id, words);
    pushOnce(this.byName, [...words].sort().join(" "), id);
    pushOnce(this.byField, field(name), id);
    if (words.length >= 3) pushOnce(this.byInitials, words.map((word) => word[0]).join(""), id);
    for (const word of new Set(words)) pushOnce(this.byWord, word, id);
    for (const start of new Set(words.map((word) => word.slice(0, 4))))
      pushOnce(this.byStart, start, id);
  }

  /**
   * Adds to what is known of a payer, or takes from it; receipts of the keys that are given back
   * read otherwise from then on.
   */
  learn(paid: PaidFor, times: number): readonly string[] {
    this.index();
    this.known.clear();
    return this.enter(paid, times);
  }

  private enter({ payerName, payerEmail, customerId }: PaidFor, times: number): readonly string[] {
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

  /** Likely payers, best first; kept by what the receipt says of its payer. */
  find(receipt: Pick<MatchReceipt, "payerName" | "payerEmail">): readonly Payer[] {
    const key = `${receipt.payerName}\n${receipt.payerEmail}`;
    const known = this.known.get(key);
    if (known) return known;
    this.index();
    const query = queryOf({ ...receipt, payerName: this.tradeName(receipt.payerName) });
    const ranked = [...this.candidates(query)]
      .map((id) => this.judge(id, query))
      .filter((payer) => payer.weight > 0)
      .sort((a, b) => b.weight - a.weight || a.customerId - b.customerId);
    // Those that are all alike stay together.
    const least = ranked[MOST_PAYERS - 1]?.weight ?? 0;
    const payers = ranked.filter((payer) => payer.weight >= least);
    const made = this.withoutDoubt(payers);
    this.known.set(key, made);
    return made;
  }

  /** Of a name "doing business as" another, the one that this book knows; else the whole. */
  private tradeName(name: string): string {
    const parts = name.split(/\b(?:d\/?b\/?a|t\/a|c\/o)\b\.?/i).map((part) => part.trim());
    return parts.length < 2
      ? name
      : (parts.find((part) => this.byName.has([...nameWords(part)].sort().join(" "))) ?? name);
  }

  /** Only the first can be beyond doubt, and only where no other group comes near it. */
  private withoutDoubt(payers: readonly Payer[]): Payer[] {
    const [best] = payers;
    const other = payers.find(
      (payer) => best && this.group(payer.customerId) !== this.group(best.customerId),
    );
    return payers.map((payer) => ({
      ...payer,
      beyondDoubt:
        payer.beyondDoubt &&
        best !== undefined &&
        this.group(payer.customerId) === this.group(best.customerId) &&
        (other === undefined || other.weight < payer.weight - 3),
    }));
  }

  private candidates({ email, domain, words, name, cut, keys }: Query): Set<number> {
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
  private elected(words: readonly string[]): number[] {
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

  private judge(id: number, query: Query): Payer {
    const evidence = [
      this.addressEvidence(id, query),
      this.paidBefore(id, query),
      this.nameEvidence(id, query),
    ].filter((part) => part !== null);
    return {
      customerId: id,
      weight: evidence.reduce((sum, { weight }) => sum + weight, 0),
      beyondDoubt: evidence.some(({ alone }) => alone),
      reasons: evidence.flatMap(({ reason }) => reason ?? []),
    };
  }

  private addressEvidence(id: number, { email, domain }: Query): Evidence | null {
    const own = this.byId.get(id)?.email;
    if (email === "" || !own) return null;
    if (own.toLowerCase() === email) {
      const shared = this.groupsOf(this.byEmail.get(email) ?? []);
      return {
        weight: AGREE.email - 2 * log2(shared),
        alone: shared === 1,
        reason: { code: "email" },
      };
    }
    if (domain === null || domain !== ownDomain(own))
      return { weight: OTHER_EMAIL, alone: false, reason: null };
    return {
      weight: AGREE.domain - log2(this.byDomain.get(domain)?.length ?? 1),
      alone: false,
      reason: { code: "domain", domain },
    };
  }

  /**
   * A payer who paid before: for this customer alone, or (a payments service) for many. An address
   * says more than a name.
   */
  private paidBefore(id: number, query: Query): Evidence | null {
    let best: Evidence | null = null;
    for (const key of query.keys) {
      const customers = this.learned.get(key);
      const times = customers?.get(id) ?? 0;
      if (!customers || times === 0) continue;
      const groups = this.groupsOf([...customers.keys()]);
      const namesakes = this.namesakes(key, query);
      const weight =
        AGREE.learned * Math.min(1, 0.75 + times * 0.1) - 2.5 * log2(groups) - 2 * log2(namesakes);
      if (best === null || weight > best.weight)
        best = {
          weight,
          alone: groups === 1 && namesakes === 1,
          reason: { code: "paid_before", times },
        };
    }
    return best;
  }

  /** How many a name by which a payer is known could mean; an address means one. */
  private namesakes(key: string, query: Query): number {
    if (key.startsWith("@")) return 1;
    return Math.max(1, this.byName.get(key)?.length ?? 1, this.cutAlike(query));
  }

  /** Groups whose names, as an ACH field carries them, are what is written in capitals. */
  private cutAlike({ cut, capitals }: Query): number {
    return cut !== "" && capitals ? this.groupsOf(this.byField.get(cut) ?? []) : 0;
  }

  /**
   * Words weigh by how rare they are in this book; a cut, a turn, an abbreviation or a misspelling
   * costs a little.
   */
  private nameEvidence(id: number, query: Query): Evidence | null {
    if (query.words.length === 0) return null;
    const same = this.byName.get(query.name);
    // A name in capitals that fills the field may be the beginning of a longer one.
    if (same?.includes(id) && this.cutAlike(query) <= this.groupsOf(same))
      return this.nameOf(same, 10, true);
    const cut = this.byField.get(query.cut) ?? [];
    if (query.cut !== "" && cut.includes(id)) return this.nameOf(cut, 9, false);
    const names = this.words.get(id) ?? [];
    return this.initials(id, query.words, names) ?? this.nearest(query.words, names);
  }

  private initials(
    id: number,
    [only = "", ...more]: readonly string[],
    names: readonly (readonly string[])[],
  ): Evidence | null {
    if (more.length > 0 || !names.some((own) => isInitials(only, own))) return null;
    return { ...this.nameOf(this.byInitials.get(only) ?? [id], 5, false), alone: false };
  }

  private nearest(
    payer: readonly string[],
    names: readonly (readonly string[])[],
  ): Evidence | null {
    let best: Evidence | null = null;
    for (const own of names) {
      const entry = this.nearly(payer, own);
      if (entry !== null && (best === null || entry.weight > best.weight)) best = entry;
    }
    return best;
  }

  private nameOf(bearers: readonly number[], weight: number, exact: boolean): Evidence {
    const groups = this.groupsOf(bearers);
    return {
      weight: weight - 2 * log2(groups),
      alone: groups === 1,
      reason: { code: "name", exact },
    };
  }

  /** A written name against one that a customer goes by, word by word. */
  private nearly(payer: readonly string[], own: readonly string[]): Evidence | null {
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

  private groupsOf(ids: readonly number[]): number {
    return new Set(ids.map((id) => this.group(id))).size;
  }
}

/** One thing that speaks for (or, without a reason to show, against) a customer as the payer. */
type Evidence = {
  readonly weight: number;
  /** Whether it means this customer and no other. */
  readonly alone: boolean;
  readonly reason: Reason | null;
};

const isInitials = (word: string, name: readonly string[]): boolean =>
  name.length >= 3 && word === name.map((part) => part[0]).join("");

/**
 * Who may have sent each of these receipts, by what they say of their payer. It
 * needs no invoices, so that it can run in another thread while those are read.
 */
export function payersFor(
  input: Pick<MatchingInput, "customers" | "history">,
  receipts: readonly Pick<MatchReceipt, "payerName" | "payerEmail">[],
): ReadonlyMap<string, readonly Payer[]> {
  const index = new PayerIndex(input);
  return new Map(
    receipts.map((receipt) => [`${receipt.payerName}\n${receipt.payerEmail}`, index.find(receipt)]),
  );
}

/**
 * What a receipt says of its payer, taken apart once. `cut`: the name as an ACH field carries it,
 * where it may have been cut there.
 */
type Query = {
  readonly email: string;
  readonly domain: string | null;
  readonly words: readonly string[];
  readonly name: string;
  readonly cut: string;
  readonly capitals: boolean;
  readonly keys: readonly string[];
};

function queryOf({ payerName, payerEmail }: Pick<MatchReceipt, "payerName" | "payerEmail">): Query {
  const email = payerEmail.toLowerCase();
  const words = nameWords(payerName);
  const length = payerName.trim().length;
  return {
    email,
    domain: email === "" ? null : ownDomain(email),
    words,
    name: [...words].sort().join(" "),
    cut: length >= 14 && length <= 16 ? field(payerName) : "",
    capitals: payerName === payerName.toUpperCase(),
    keys: payerKeys(payerName, payerEmail),
  };
}

/** A name as an ACH field carries it: 16 characters, upper case (Nacha file format). */
function field(name: string): string {
  return name
    .toUpperCase()
    .replace(/[^A-Z0-9 &]/g, "")
    .slice(0, 16)
    .trim();
}

/** By what a payer is known: the address, and the words of the name in their own order. */
export function payerKeys(name: string, email: string): string[] {
  const words = [...nameWords(name)].sort().join(" ");
  return [...(email === "" ? [] : [`@${email.toLowerCase()}`]), ...(words === "" ? [] : [words])];
}
