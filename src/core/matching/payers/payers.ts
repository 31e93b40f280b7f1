import { pushOnce } from "../lists";
import type { MatchingInput, MatchReceipt, PaidFor, Payer } from "../types";
import { AGREE, type Evidence, isInitials, log2, OTHER_EMAIL } from "./evidence";
import { KnownNames } from "./knownNames";
import { ownDomain } from "./names";
import { nearest } from "./nearly";
import { domainsOf, type NameForm, type Query, queryOf } from "./query";

const MOST_PAYERS = 8;

export class PayerIndex extends KnownNames {
  private readonly known = new Map<string, readonly Payer[]>();
  private isIndexed = false;

  constructor(private readonly input: Pick<MatchingInput, "customers" | "history">) {
    super(input.customers);
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

  /**
   * Adds to what is known of a payer, or takes from it; receipts of the keys that are given back
   * read otherwise from then on.
   */
  learn(paid: PaidFor, times: number): readonly string[] {
    this.index();
    this.known.clear();
    return this.enter(paid, times);
  }

  /** Likely payers, best first; kept by what the receipt says of its payer. */
  find(receipt: Pick<MatchReceipt, "payerName" | "payerEmail">): readonly Payer[] {
    const key = `${receipt.payerName}\n${receipt.payerEmail}`;
    const known = this.known.get(key);
    if (known) return known;
    this.index();
    const query = queryOf(receipt);
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
    const known = ownDomain(own);
    if (known === null || !domainsOf(domain).includes(known))
      return { weight: OTHER_EMAIL, alone: false, reason: null };
    const groups = this.groupsOf(this.byDomain.get(known) ?? []);
    return {
      weight: AGREE.domain - 2 * log2(groups),
      alone: groups === 1,
      reason: { code: "domain", domain: known },
    };
  }

  /**
   * A payer who paid before: for this customer alone, or (a payments service) for many. An address
   * says more than a name.
   */
  private paidBefore(id: number, query: Query): Evidence | null {
    let best: Evidence | null = null;
    for (const key of this.keysOf(query)) {
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

  /**
   * The name that speaks most for a customer, of those that stand in what is written: to the letter,
   * as a field that was cut off shows it, by initials, or nearly.
   */
  private nameEvidence(id: number, { forms }: Query): Evidence | null {
    return forms
      .map((form) => this.evidenceOf(id, form))
      .reduce(
        (best, found) => (found && (!best || found.weight > best.weight) ? found : best),
        null,
      );
  }

  private evidenceOf(id: number, form: NameForm): Evidence | null {
    const same = this.byName.get(form.name);
    const begun = this.cutAlike(form);
    // A name that fills its field may be the beginning of a longer one.
    if (same?.includes(id)) return this.nameOf([...same, ...begun], 10, true);
    if (begun.includes(id)) return this.nameOf([...(same ?? []), ...begun], 9, false);
    const names = this.words.get(id) ?? [];
    return this.initials(id, form.words, names) ?? nearest(form, names, this.rarity);
  }

  private initials(
    id: number,
    [only = "", ...more]: readonly string[],
    names: readonly (readonly string[])[],
  ): Evidence | null {
    if (more.length > 0 || !names.some((own) => isInitials(only, own))) return null;
    return { ...this.nameOf(this.byInitials.get(only) ?? [id], 2.5, false), alone: false };
  }

  private nameOf(bearers: readonly number[], weight: number, exact: boolean): Evidence {
    const groups = this.groupsOf(bearers);
    return {
      weight: weight - 2 * log2(groups),
      alone: groups === 1,
      reason: { code: "name", exact },
    };
  }
}

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
