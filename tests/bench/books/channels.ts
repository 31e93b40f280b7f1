import { addDays, day, type Day, discountOn, parseTerms } from "@/core/calendar";
import type { MatchingInput, MatchItem, MatchReceipt } from "@/core/matching";
import { type Currency, currencyOf, minor, sumOf } from "@/core/money";

import { type Channel, CHANNELS, carried, nameShown, SAID } from "./channelTexts";
import { Dice } from "./dice";
import type { Labelled, Truth } from "./generate";
import { firmName, slug } from "./names";

const USD = currencyOf("USD") as Currency;
const TODAY = day("2026-10-15");
const METHOD = {
  ccd: "ach_credit",
  ctx: "ach_credit",
  wire: "wire",
  sepa: "wire",
  lockbox: "check",
  portal: "card",
  centre: "ach_credit",
} as const;

type Payer = {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly parentId: number | null;
};
type Line = { item: MatchItem; amount: number; discount: number };
type Deal = {
  kind: string;
  lines: Line[];
  amount: number;
  words: string;
  said: MatchItem[];
  clear: boolean;
};

/**
 * A third maker of labelled books, from the side of payers and channels: first
 * what somebody pays, then how the channel's fields carry it (Nacha addenda,
 * SWIFT and SEPA lines, scanned slips, portals, shared service centres). Used
 * for testing and for calibration only.
 */
export function channels(seed: number, hard: boolean, size = 220): Labelled {
  return new Channels(new Dice(seed * 13 + 5), hard, size).make();
}

class Channels {
  private readonly customers: Payer[] = [];
  private readonly items: MatchItem[] = [];
  private readonly receipts: MatchReceipt[] = [];
  private readonly truth = new Map<number, Truth>();
  private readonly taken = new Set<number>();
  private readonly done = new Set<number>();
  private last = 0;
  private readonly style: (at: number) => string;

  constructor(
    private readonly dice: Dice,
    private readonly hard: boolean,
    private readonly size: number,
  ) {
    const from = dice.whole(2000, 60_000);
    this.style = dice.pick<(at: number) => string>([
      (at) => `K-${from + at}`,
      (at) => `26-${String(from + at).padStart(6, "0")}`,
      (at) => String(7_000_000 + from + at),
      (at) => `RC/2026/${String(from + at).padStart(5, "0")}`,
      (at) => `F26A${String(from + at).padStart(5, "0")}`,
    ]);
  }

  make(): Labelled {
    for (let at = 1; at <= this.size; at += 1) this.customer(at);
    for (const customer of this.customers) this.open(customer);
    for (let round = 0; round < 4; round += 1)
      for (const payer of this.dice.shuffled(this.customers)) this.pay(payer, round);
    const input: MatchingInput = {
      customers: this.customers.map((customer) => ({ ...customer, externalId: `C${customer.id}` })),
      items: this.items,
      receipts: this.receipts,
      history: [],
      closed: [],
      placed: [],
      settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
    };
    return { input, truth: this.truth };
  }

  private customer(id: number): void {
    const { dice } = this;
    const head = dice.chance(0.15) ? dice.pick(this.customers.slice(-30)) : undefined;
    const name = head
      ? `${head.name} ${dice.pick(["North", "Depot", "Lakeside", "Works"])}`
      : firmName(dice);
    const email = dice.chance(0.8) ? `ap@${slug(name)}${id}.example` : "";
    this.customers.push({ id, name, email, parentId: head ? (head.parentId ?? head.id) : null });
  }

  private open({ id }: Payer): void {
    const { dice } = this;
    const terms = dice.pick(["n/30", "n/30", "n/14", "2/10 n/30"]);
    const usual = dice.whole(40, 2500) * 100 + dice.pick([0, 0, 50, 99]);
    for (let left = dice.tail(9) + 1; left > 0; left -= 1) {
      const issuedOn = addDays(TODAY, -dice.whole(2, 75));
      const total = dice.chance(0.2) ? usual : dice.whole(1500, 900_000);
      const note = dice.chance(0.04);
      this.items.push({
        id: this.items.length + 1,
        number: this.style((this.last += dice.whole(1, 3))),
        customerId: id,
        issuedOn,
        dueOn: addDays(issuedOn, terms === "n/14" ? 14 : 30),
        currency: USD,
        total: minor(note ? -Math.round(total / 10) : total),
        balance: minor(note ? -Math.round(total / 10) : total),
        poNumber: dice.chance(0.4) ? `PO${dice.whole(10_000, 99_999)}` : null,
        terms: note ? null : terms,
      });
    }
  }

  private pay(payer: Payer, round: number): void {
    const { dice } = this;
    const free = this.items.filter(
      ({ customerId, id }) => customerId === payer.id && !this.taken.has(id),
    );
    const paidOn = addDays(TODAY, round * 3 + dice.whole(0, 1));
    const deal = this.done.has(payer.id) ? null : this.deal(free, paidOn);
    if (!deal) return;
    // What was left by one who pays the oldest first would be the next one's oldest.
    if (deal.kind === "oldest") this.done.add(payer.id);
    for (const { item } of deal.lines) this.taken.add(item.id);
    const channel = this.channelFor(deal);
    const centre = channel === "centre";
    const head = this.customers.find(({ id }) => id === (payer.parentId ?? payer.id)) ?? payer;
    const name = centre ? `${head.name} Shared Services` : payer.name;
    const id = this.receipts.length + 1;
    const silent = deal.said.length === 0;
    this.receipts.push({
      id,
      paidOn,
      method: METHOD[channel],
      currency: USD,
      amount: minor(deal.amount),
      payerName: nameShown(channel, name, dice),
      payerEmail: channel === "portal" ? payer.email.replace("ap@", "lena.moss@") : "",
      reference: carried(
        channel,
        {
          numbers: deal.said.map(({ number }) => number),
          sums: deal.said.map((item) => deal.lines.find((line) => line.item === item)?.amount ?? 0),
          words: deal.words,
        },
        dice,
      ),
    });
    this.truth.set(id, {
      customerId: deal.lines.length > 0 ? payer.id : null,
      lines: deal.lines.map(({ item, amount, discount }) => ({
        number: item.number,
        amount: minor(amount),
        discount: minor(discount),
      })),
      clear: deal.clear && !(silent && (centre || this.isOfGroup(payer))),
      kind: `${deal.kind}, ${channel}`,
    } as Truth);
    if (dice.chance(0.02) && deal.lines.length > 0) this.again(id, channel);
  }

  /** The same payment a second time: nothing is left that it could be for. */
  private again(of: number, channel: Channel): void {
    const first = this.receipts[of - 1];
    if (!first) return;
    const id = this.receipts.length + 1;
    this.receipts.push({ ...first, id, paidOn: addDays(first.paidOn, 1) });
    this.truth.set(id, {
      customerId: null,
      lines: [],
      clear: false,
      kind: `again, ${channel}`,
    } as unknown as Truth);
  }

  /** Whether anything was paid or credited before: then the oldest are not simply the oldest. */
  private hasPaid(id: number): boolean {
    return this.items.some(
      (item) => item.customerId === id && (item.balance < 0 || this.taken.has(item.id)),
    );
  }

  /** Whether a site or a head office, of which only the words could tell. */
  private isOfGroup({ id, parentId }: Payer): boolean {
    return parentId !== null || this.customers.some((other) => other.parentId === id);
  }

  private channelFor({ kind }: Deal): Channel {
    return kind === "fee" ? this.dice.pick(["wire", "sepa"]) : this.dice.pick(CHANNELS);
  }

  private deal(free: MatchItem[], paidOn: Day): Deal | null {
    const { dice } = this;
    const due = free.filter(({ balance }) => balance > 0);
    const [first] = due;
    if (!first) return null;
    const kinds = this.hard
      ? ([
          "one",
          "list",
          "silent",
          "statement",
          "oldest",
          "fee",
          "credit",
          "part",
          "late",
          "ahead",
          "other",
          "closed",
        ] as const)
      : (["one", "one", "list", "list", "silent", "discount", "part"] as const);
    const kind = dice.pick(kinds);
    const one = dice.pick(due);
    const whole = (items: readonly MatchItem[]): Line[] =>
      items.map((item) => ({ item, amount: item.balance, discount: 0 }));
    const made = (lines: Line[], words: string, said: MatchItem[], clear = true): Deal => ({
      kind,
      lines,
      amount: sumOf(lines, ({ amount }) => minor(amount)),
      words,
      said,
      clear,
    });
    const equal = due.filter(({ balance }) => balance === one.balance).length > 1;
    switch (kind) {
      case "one":
        return made(whole([one]), dice.pick(SAID.one), [one]);
      case "list": {
        const some = dice.shuffled(due).slice(0, dice.whole(2, 5));
        return made(whole(some), dice.pick(SAID.one), some);
      }
      case "silent":
        return equal ? null : made(whole([one]), dice.pick(SAID.nothing), []);
      case "statement": {
        const upTo = free.filter(({ issuedOn }) => issuedOn <= "2026-09-30");
        const sum = sumOf(upTo, ({ balance }) => balance);
        return upTo.length > 1 && sum > 0 ? made(whole(upTo), dice.pick(SAID.statement), []) : null;
      }
      case "oldest": {
        const inOrder = [...due].sort((a, b) =>
          a.dueOn < b.dueOn ? -1 : Number(a.dueOn > b.dueOn) || a.id - b.id,
        );
        const [oldest, next] = inOrder;
        if (!oldest || !next || next.balance < 2000 || this.hasPaid(one.customerId)) return null;
        const part = dice.whole(1000, next.balance - 500);
        return made(
          [...whole([oldest]), { item: next, amount: part, discount: 0 }],
          dice.pick(SAID.oldest),
          [],
        );
      }
      case "discount":
      case "late": {
        const terms = parseTerms(one.terms ?? "n/30");
        const offer = terms.ok ? discountOn(one.issuedOn, terms.value, paidOn, 0) : null;
        if (!offer || offer.inTime !== (kind === "discount")) return null;
        const less = Math.round(one.total * 0.02);
        return made(
          [{ item: one, amount: one.balance - less, discount: kind === "discount" ? less : 0 }],
          dice.pick(SAID.one),
          [one],
        );
      }
      case "fee": {
        const some = dice.shuffled(due).slice(0, dice.whole(1, 3));
        const fee = dice.pick([1500, 2000, 2250, 2500, 3000]);
        const lines = whole(some);
        const largest = lines.reduce((best, line) => (line.amount > best.amount ? line : best));
        if (largest.amount <= fee * 3) return null;
        largest.amount -= fee;
        return made(lines, dice.pick(SAID.fee), some);
      }
      case "credit": {
        const note = free.find(({ balance }) => balance < 0);
        if (!note || one.balance + note.balance <= 0) return null;
        return made(whole([one, note]), `${dice.pick(SAID.credit)} ${note.number}`, [one]);
      }
      case "part":
        return one.balance < 5000
          ? null
          : made(
              [{ item: one, amount: Math.round(one.balance / 2 / 100) * 100, discount: 0 }],
              dice.pick(SAID.part),
              [one],
            );
      case "ahead":
        return {
          ...made([], dice.pick(SAID.ahead), [], false),
          amount: dice.whole(5, 80) * 10_000,
        };
      case "other": {
        const strangers = this.items.filter(({ customerId }) => customerId !== one.customerId);
        const other = dice.pick(strangers);
        const mine = dice.chance(0.5);
        return {
          ...made(mine ? whole([one]) : [], dice.pick(SAID.one), [other], false),
          amount: one.balance,
        };
      }
      case "closed": {
        const gone = { ...one, number: this.style(-dice.whole(5, 400)) };
        const mine = dice.chance(0.4);
        return {
          ...made(mine ? whole([one]) : [], dice.pick(SAID.one), [gone], false),
          amount: mine || dice.chance(0.5) ? one.balance : dice.whole(5000, 90_000),
        };
      }
    }
  }
}
