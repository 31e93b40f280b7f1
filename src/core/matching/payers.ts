import { groupHead, type Customer } from "@/core/parties";

import { nameFit, nameWords, ownDomain } from "./names";
import type { MatchingInput, MatchReceipt, Reason } from "./types";

/** A customer who may have sent a receipt: a weight in bits (log2 of the likelihood ratio, Fellegi and Sunter 1969) and why. */
export type Payer = { readonly customerId: number; readonly weight: number; readonly reasons: readonly Reason[] };

const log2 = Math.log2;
/** m: how often the evidence agrees for the right customer; u: how often by chance for another. */
const AGREE = { email: log2(0.95 / 0.0005), learned: log2(0.95 / 0.002), nameExact: log2(0.9 / 0.001), nameNear: log2(0.8 / 0.01), domain: log2(0.6 / 0.005) };

export class PayerIndex {
  private readonly byId: Map<number, Customer>;
  private readonly byEmail = new Map<string, number[]>();
  private readonly byDomain = new Map<string, number[]>();
  private readonly byWord = new Map<string, number[]>();
  private readonly byStart = new Map<string, Set<number>>();
  private readonly learned = new Map<string, Map<number, number>>();
  private readonly known = new Map<string, Payer[]>();

  constructor(input: Pick<MatchingInput, "customers" | "history">) {
    this.byId = new Map(input.customers.map((customer) => [customer.id, customer]));
    for (const customer of input.customers) {
      if (customer.email) push(this.byEmail, customer.email.toLowerCase(), customer.id);
      const domain = customer.email ? ownDomain(customer.email) : null;
      if (domain) push(this.byDomain, domain, customer.id);
      for (const word of new Set(nameWords(customer.name))) {
        push(this.byWord, word, customer.id);
        const start = word.slice(0, 3);
        this.byStart.set(start, (this.byStart.get(start) ?? new Set()).add(customer.id));
      }
    }
    for (const { payerName, payerEmail, customerId, times } of input.history) {
      for (const key of payerKeys(payerName, payerEmail)) {
        const customers = this.learned.get(key) ?? new Map<number, number>();
        customers.set(customerId, (customers.get(customerId) ?? 0) + times);
        this.learned.set(key, customers);
      }
    }
  }

  customer(id: number): Customer | undefined {
    return this.byId.get(id);
  }

  group(id: number): number {
    const customer = this.byId.get(id);
    return customer ? groupHead(customer, this.byId) : id;
  }

  /** Likely payers, best first; kept by what the receipt says of its payer. */
  find(receipt: Pick<MatchReceipt, "payerName" | "payerEmail">): Payer[] {
    const key = `${receipt.payerName}\n${receipt.payerEmail}`;
    const known = this.known.get(key);
    if (known) return known;
    const payers = [...this.candidates(receipt)]
      .map((id) => this.judge(id, receipt))
      .filter((payer) => payer.weight > 0)
      .sort((a, b) => b.weight - a.weight || a.customerId - b.customerId)
      .slice(0, 8);
    this.known.set(key, payers);
    return payers;
  }

  private candidates(receipt: Pick<MatchReceipt, "payerName" | "payerEmail">): Set<number> {
    const email = receipt.payerEmail.toLowerCase();
    const ids = new Set<number>(this.byEmail.get(email) ?? []);
    const domain = email === "" ? null : ownDomain(email);
    if (domain) for (const id of this.byDomain.get(domain) ?? []) ids.add(id);
    for (const key of payerKeys(receipt.payerName, email)) for (const id of this.learned.get(key)?.keys() ?? []) ids.add(id);
    const lists = nameWords(receipt.payerName).map((word) => this.byWord.get(word) ?? [...(this.byStart.get(word.slice(0, 3)) ?? [])]);
    for (const list of lists.sort((a, b) => a.length - b.length).slice(0, 3)) if (list.length <= 400) for (const id of list) ids.add(id);
    return ids;
  }

  private judge(id: number, receipt: Pick<MatchReceipt, "payerName" | "payerEmail">): Payer {
    const customer = this.byId.get(id);
    const reasons: Reason[] = [];
    let weight = 0;
    const email = receipt.payerEmail.toLowerCase();
    const times = Math.max(0, ...payerKeys(receipt.payerName, email).map((key) => this.share(key, id)));
    if (email !== "" && customer?.email?.toLowerCase() === email) {
      weight += AGREE.email - log2(this.byEmail.get(email)?.length ?? 1);
      reasons.push({ code: "email" });
    } else if (email !== "" && customer?.email && ownDomain(email) !== null && ownDomain(email) === ownDomain(customer.email)) {
      weight += AGREE.domain - log2(this.byDomain.get(ownDomain(email) ?? "")?.length ?? 1);
      reasons.push({ code: "domain", domain: ownDomain(email) ?? "" });
    }
    if (times > 0) {
      weight += AGREE.learned * Math.min(1, 0.6 + times * 0.1);
      reasons.push({ code: "paid_before", times });
    }
    const fit = customer ? nameFit(receipt.payerName, customer.name) : 0;
    if (fit >= 0.75) {
      weight += fit >= 0.96 ? AGREE.nameExact : AGREE.nameNear * ((fit - 0.6) / 0.4);
      reasons.push({ code: "name", exact: fit >= 0.96 });
    }
    return { customerId: id, weight, reasons };
  }

  /** How often this payer paid for this customer; nothing where they paid for others as often. */
  private share(key: string, id: number): number {
    const customers = this.learned.get(key);
    const mine = customers?.get(id) ?? 0;
    const all = [...(customers?.values() ?? [])].reduce((sum, times) => sum + times, 0);
    return mine * 2 > all ? mine : 0;
  }
}

function payerKeys(name: string, email: string): string[] {
  const words = nameWords(name).join(" ");
  return [...(email === "" ? [] : [`@${email.toLowerCase()}`]), ...(words === "" ? [] : [words])];
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}
