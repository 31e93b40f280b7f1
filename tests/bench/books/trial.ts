import { addDays, day, type Day, discountOn, parseTerms } from "@/core/calendar";
import type { MatchingInput, MatchItem, MatchReceipt } from "@/core/matching";
import { type Currency, currencyOf, minor } from "@/core/money";

import { Dice } from "./dice";
import type { Labelled, Truth } from "./generate";
import {
  garbled,
  type Numbering,
  phrase,
  styled,
  TEXT_TROUBLES,
  type TextTrouble,
} from "./trialTexts";

const USD = currencyOf("USD") as Currency;
const TODAY = day("2026-10-30");
const FAMILIES = [
  "Harbor Point",
  "Northgate",
  "Silver Birch",
  "Canyon",
  "Old Mill",
  "Lakeshore",
  "Red Barn",
  "Blue Heron",
  "St. Anne",
  "Prairie",
  "Monte Vista",
  "Kingsway",
  "Delta",
  "Orchard",
  "Whitfield",
];
const TRADES = [
  "Dental",
  "Dental Care",
  "Dental Care Associates",
  "Academy",
  "Montessori Academy",
  "Veterinary",
  "Veterinary Clinic",
  "Builders",
  "Building Supply",
  "Bakery",
  "Bakery & Cafe",
  "Auto Body",
  "Roofing",
  "Landscaping",
  "Catering",
  "Fitness",
  "Plumbing",
  "Plumbing & Heating",
  "Print",
  "Foods",
];
const PLACES = [
  "",
  "",
  "",
  " North",
  " South",
  " of Oakdale",
  " of Fairview",
  " West",
  " 2",
  " II",
];
const FORMS = ["", "", " LLC", " L.L.C.", " Inc.", " Co.", " Corp", " Ltd", " GmbH", " SARL"];

type Who = {
  id: number;
  name: string;
  email: string;
  parentId: number | null;
  pays: { name: string; email: string };
  open: MatchItem[];
};
type Part = { item: MatchItem; amount: number; discount: number };
type Deal = {
  kind: string;
  parts: Part[];
  extra: number;
  said: MatchItem[];
  words: string;
  clear: "by number" | "by sum" | "no";
  amounts?: boolean;
};

/**
 * A second maker of labelled books, built otherwise than generate.ts and used
 * for testing only: what people do with the money first, then what happens to
 * the words on the way. Several receipts of one customer in a batch; nothing
 * is taken twice but by those who pay twice.
 */
export function trial(seed: number, hard: boolean, size = 260): Labelled {
  return new Trial(new Dice(seed * 7 + 3), hard, size).make();
}

type ReceiptMade = {
  paidOn: Day;
  amount: number;
  payerName: string;
  payerEmail: string;
  reference: string;
  truth: Truth;
};

type DealAsked = {
  free: MatchItem[];
  notes: MatchItem[];
  who: Who;
  paidOn: Day;
  several: boolean;
};

class Trial {
  private readonly who: Who[] = [];
  private readonly items: MatchItem[] = [];
  private readonly receipts: MatchReceipt[] = [];
  private readonly truth = new Map<number, Truth>();
  private readonly history: MatchingInput["history"][number][] = [];
  private readonly numbering: Numbering;

  constructor(
    private readonly dice: Dice,
    private readonly hard: boolean,
    private readonly size: number,
  ) {
    this.numbering = styled(dice);
  }

  make(): Labelled {
    for (let id = 1; id <= this.size; id += 1) this.customer(id);
    this.invoices();
    for (const who of this.dice.shuffled(this.who)) this.batch(who);
    for (let count = Math.floor(this.receipts.length * 0.12); count > 0; count -= 1) this.nobody();
    return {
      input: {
        customers: this.who.map(({ id, name, email, parentId }) => ({
          id,
          externalId: `C${id}`,
          name,
          email: email || null,
          parentId,
        })),
        items: this.items,
        receipts: this.dice.shuffled(this.receipts),
        history: this.history,
        closed: [],
        placed: [],
        settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
      },
      truth: this.truth,
    };
  }

  private customer(id: number): void {
    const { dice } = this;
    const before = this.who.at(-1);
    const name =
      before && dice.chance(0.03)
        ? before.name
        : `${dice.pick(FAMILIES)} ${dice.pick(TRADES)}${dice.pick(PLACES)}${dice.pick(FORMS)}`;
    const letters = name.toLowerCase().replace(/[^a-z]/g, "");
    const email = emailOf(dice, letters, id);
    const head = dice.chance(0.1)
      ? this.who.slice(-12).find(({ parentId, email: own }) => parentId === null && own !== "")
      : undefined;
    const pays = dice.chance(0.1)
      ? {
          name: `${dice.pick(["J", "M", "Ana", "Tom"])} ${dice.pick(["Okafor", "Lindgren", "Reyes", "Moreau", "Schulz"])}`,
          email: `private${id}@yahoo.com`,
        }
      : { name, email };
    const who: Who = {
      id,
      name:
        head && dice.chance(0.6)
          ? `${head.name.replace(/ (LLC|L\.L\.C\.|Inc\.|Co\.|Corp|Ltd|GmbH|SARL)$/, "")} ${dice.pick(["Unit", "Site", "#"])}${dice.pick([" ", ""])}${dice.whole(2, 40)}`
          : name,
      email: head ? dice.pick(["", email]) : email,
      parentId: head?.id ?? null,
      pays: head ? head.pays : pays,
      open: [],
    };
    this.who.push(who);
    const times = dice.chance(0.75) || pays.name !== name ? dice.whole(1, 5) : 0;
    if (times > 0)
      this.history.push({
        payerName: who.pays.name,
        payerEmail: who.pays.email,
        customerId: who.parentId ?? id,
        times,
      });
    if (dice.chance(0.05))
      this.history.push({
        payerName: "Remitwise Bill Pay",
        payerEmail: "pay@remitwise.example",
        customerId: id,
        times: 1,
      });
  }

  private invoices(): void {
    const { dice } = this;
    const standing = [9500, 12_500, 30_000, 45_000];
    const plan = this.who
      .flatMap((who) => {
        const own = dice.pick(standing);
        return Array.from({ length: dice.tail(40) }, () => ({
          one: who,
          own,
          on: addDays(TODAY, -dice.whole(2, 95)),
        }));
      })
      .sort((a, b) => (a.on < b.on ? -1 : 1));
    plan.forEach(({ one, own, on }, at) => {
      const credit = dice.chance(0.04);
      const total = totalOf(dice, own);
      const [sum, left] = credit
        ? [-Math.floor(total / 7) - 1, 1]
        : [total, dice.chance(0.07) ? 0.35 : 1];
      const item: MatchItem = {
        id: at + 1,
        number: (credit ? this.numbering.credit : "") + this.numbering.number(at, on, one.id),
        customerId: one.id,
        issuedOn: on,
        dueOn: addDays(on, 30),
        currency: USD,
        total: minor(sum),
        balance: minor(Math.floor(sum * left)),
        poNumber: dice.chance(0.3) ? this.numbering.order(at) : null,
        terms: dice.chance(0.2) ? "2/10 n/30" : "n/30",
      };
      this.items.push(item);
      one.open.push(item);
    });
  }

  private batch(who: Who): void {
    const { dice } = this;
    let free = who.open
      .filter(({ balance }) => balance > 0)
      .sort((a, b) => {
        if (a.dueOn < b.dueOn) return -1;
        if (a.dueOn > b.dueOn) return 1;
        return a.id - b.id;
      });
    const notes = who.open.filter(({ balance }) => balance < 0);
    const most = free.length > 6 && dice.chance(0.35) ? 2 : 1;
    for (let at = 0; at < most && free.length > 0; at += 1) {
      const paidOn = addDays(TODAY, -dice.whole(0, 9));
      const issued = free.filter(({ issuedOn }) => issuedOn <= paidOn);
      if (issued.length === 0) continue;
      const deal = this.deal({
        free: issued,
        notes: at === 0 ? notes : [],
        who,
        paidOn,
        several: most > 1,
      });
      this.send(who, deal, paidOn);
      const used = new Set(deal.parts.map(({ item }) => item.id));
      free = free.filter(({ id }) => !used.has(id));
      if (deal.kind === "instalment") this.send(who, this.rest(deal), paidOn);
      if (deal.kind === "several" && free.length > 2 && dice.chance(0.12))
        this.sameListAgain(who, deal, free, paidOn);
      const other = who.open.filter(({ balance }) => balance === deal.parts[0]?.amount).length > 1;
      if (deal.kind === "single" && dice.chance(0.05) && !other)
        this.add({
          paidOn: addDays(paidOn, dice.whole(0, 3)),
          amount: deal.parts[0]?.amount ?? 0,
          payerName: who.pays.name,
          payerEmail: who.pays.email,
          reference: "",
          truth: { kind: "paid twice", customerId: who.id, lines: [], clear: false },
        });
    }
  }

  /** What the money is for, and whether words or sum could tell. */
  private deal({ free, notes, who, paidOn, several }: DealAsked): Deal {
    const { dice } = this;
    const full = (item: MatchItem): Part => ({ item, amount: item.balance, discount: 0 });
    const drawn = dice.pick(free);
    const single = free.find(({ balance }) => balance === drawn.balance) ?? drawn;
    const some = dice
      .shuffled(free)
      .slice(0, dice.whole(2, 6))
      .sort((a, b) => a.id - b.id);
    const due = free.filter(({ dueOn }) => dueOn <= paidOn);
    const make = (kind: string, parts: Part[], how: Partial<Deal> = {}): Deal => ({
      kind,
      parts,
      extra: 0,
      said: parts.map(({ item }) => item),
      words: "",
      clear: "by number",
      ...how,
    });
    const options: Record<string, () => Deal | null> = {
      single: () => make("single", [full(single)]),
      several: () => (some.length > 1 ? make("several", some.map(full)) : null),
      discount: () => {
        const fit = free.find((item) => item.balance === item.total && inTime(item, paidOn));
        const off = fit ? Math.round(fit.balance * 0.02) : 0;
        return fit && (fit.balance * 2) % 100 !== 50
          ? make("discount", [{ item: fit, amount: fit.balance - off, discount: off }])
          : null;
      },
      discounts: () => {
        const fit = free
          .filter(
            (item) =>
              item.balance === item.total &&
              (item.balance * 2) % 100 !== 50 &&
              inTime(item, paidOn),
          )
          .slice(0, 3);
        return fit.length > 1
          ? make(
              "discounts",
              fit.map((item) => ({
                item,
                amount: item.balance - Math.round(item.balance * 0.02),
                discount: Math.round(item.balance * 0.02),
              })),
            )
          : null;
      },
      "credit note": () => {
        const note = notes.find(({ balance }) => single.balance + balance > 0);
        return note
          ? make("credit note", [full(single), full(note)], {
              said: dice.chance(0.5) ? [single, note] : [single],
            })
          : null;
      },
      "all open": () =>
        !several &&
        free.length > 1 &&
        free.length === who.open.filter(({ balance }) => balance > 0).length
          ? make("all open", [...free, ...notes].map(full), {
              clear: free.length < 7 ? "by sum" : "no",
            })
          : null,
      "all due": () =>
        !several && due.length > 1 && due.length < free.length
          ? make("all due", due.map(full))
          : null,
      "as of a day": () => {
        const on = addDays(paidOn, -dice.whole(10, 50));
        const then = free.filter(({ issuedOn }) => issuedOn <= on);
        return !several && then.length > 1 && then.length < free.length
          ? make("as of a day", then.map(full), {
              words: dice.pick([
                "statement",
                "your statement",
                "per statement",
                "Kontoauszug",
                "estado de cuenta",
                "relevé",
              ]),
            })
          : null;
      },
      part: () =>
        make(
          "part",
          [
            {
              item: single,
              amount: Math.max(100, Math.floor((single.balance * dice.whole(2, 8)) / 10)),
              discount: 0,
            },
          ],
          { words: phrase(dice, "part") },
        ),
      instalment: () =>
        make(
          "instalment",
          [{ item: single, amount: Math.floor(single.balance / 2), discount: 0 }],
          { words: phrase(dice, "part") },
        ),
      over: () => make("over", [full(single)], { extra: dice.whole(1, 900) }),
      "rounded up": () =>
        make("rounded up", [full(single)], { extra: (100 - (single.balance % 100)) % 100 || 500 }),
      surcharge: () =>
        make("surcharge", [full(single)], {
          extra: Math.round(single.balance * 0.03),
          words: phrase(dice, "surcharge"),
        }),
      "bank fee": () =>
        single.balance > 9000
          ? make("bank fee", [
              { item: single, amount: single.balance - dice.whole(15, 35) * 100, discount: 0 },
            ])
          : null,
      deduction: () =>
        single.balance > 9000
          ? make(
              "deduction",
              [{ item: single, amount: single.balance - dice.whole(500, 4000), discount: 0 }],
              { words: phrase(dice, "deduction") },
            )
          : null,
      "deduction in a list": () => {
        const last = dice.pick(some);
        return some.length > 1 && last.balance > 9000
          ? make(
              "deduction in a list",
              some.map((item) =>
                item === last
                  ? { item, amount: item.balance - dice.whole(500, 4000), discount: 0 }
                  : full(item),
              ),
              { amounts: true, words: phrase(dice, "deduction") },
            )
          : null;
      },
      "left out": () => {
        const out = some[0];
        return some.length > 2 && out
          ? make("left out", some.slice(1).map(full), {
              words: `${dice.pick(["not", "without", "excl.", "ohne", "sans", "sin"])} ${out.number} ${phrase(dice, "disputed")}`,
            })
          : null;
      },
      "one missing": () =>
        some.length > 2
          ? make("one missing", some.map(full), { said: some.slice(1), clear: "no" })
          : null,
      "one wrong": () => {
        const strange = this.dice.pick(free);
        return some.length > 2 && !some.includes(strange) && strange.balance !== some[0]?.balance
          ? make("one wrong", some.map(full), { said: [strange, ...some.slice(1)], clear: "no" })
          : null;
      },
      "oldest first": () => {
        let left = Math.floor(free.slice(0, 4).reduce((sum, item) => sum + item.balance, 0) * 0.83);
        return free.length > 4
          ? make(
              "oldest first",
              free.flatMap((item) => {
                const amount = Math.min(left, item.balance);
                left -= amount;
                return amount > 0 ? [{ item, amount, discount: 0 }] : [];
              }),
              { said: [], clear: "no" },
            )
          : null;
      },
      "part with next": () => {
        const [first, next] = [
          free.find((item) => item.balance !== item.total),
          free.find((item) => item.balance === item.total),
        ];
        return first && next
          ? make("part with next", [full(first), full(next)], { words: phrase(dice, "rest") })
          : null;
      },
    };
    const order = dice.chance(0.5) ? ["single"] : dice.shuffled(Object.keys(options));
    for (const name of order) {
      const found = options[name]?.();
      if (found && found.parts.reduce((sum, part) => sum + part.amount, 0) > 0) return found;
    }
    return make("single", [full(single)]);
  }

  private rest(deal: Deal): Deal {
    const [first] = deal.parts;
    return {
      ...deal,
      kind: "second instalment",
      parts: first
        ? [{ item: first.item, amount: first.item.balance - first.amount, discount: 0 }]
        : [],
      words: phrase(this.dice, "rest"),
    };
  }

  /**
   * The list of before, written once more with one number changed: the money is for other items,
   * the sum tells which.
   */
  private sameListAgain(who: Who, deal: Deal, free: MatchItem[], paidOn: Day): void {
    const other = free.slice(0, deal.parts.length);
    const sum = other.reduce((total, item) => total + item.balance, 0);
    this.add({
      paidOn,
      amount: sum,
      payerName: who.pays.name,
      payerEmail: who.pays.email,
      reference: [...deal.said.slice(1), other.at(-1) ?? deal.said[0]]
        .map((item) => item?.number)
        .join(", "),
      truth: {
        kind: "same list again",
        customerId: who.parentId ?? who.id,
        lines: other.map((item) => ({ number: item.number, amount: item.balance, discount: 0 })),
        clear: false,
      },
    });
  }

  private send(who: Who, deal: Deal, paidOn: Day): void {
    const { dice, hard } = this;
    const plainDeal = ["single", "several"].includes(deal.kind);
    const count = Math.max(0, difficultiesOf(hard, dice) - (plainDeal ? 0 : 1));
    const troubles = dice.shuffled(["name", "email", ...TEXT_TROUBLES] as const).slice(0, count);
    const service =
      dice.chance(hard ? 0.05 : 0.02) &&
      this.history.some(
        ({ payerName, customerId }) => payerName.startsWith("Remitwise") && customerId === who.id,
      );
    const from = service
      ? { name: "Remitwise Bill Pay", email: "pay@remitwise.example" }
      : who.pays;
    const name = troubles.includes("name") ? garbled(from.name, dice) : from.name;
    const cut = dice.chance(0.25);
    const payerName = cut
      ? name
          .toUpperCase()
          .replace(/[^A-Z0-9 &]/g, "")
          .slice(0, 16)
          .trim()
      : name;
    const payerEmail = cut || troubles.includes("email") ? "" : from.email;
    const text = this.numbering.write(
      deal.said,
      troubles.filter(
        (trouble): trouble is TextTrouble => trouble !== "name" && trouble !== "email",
      ),
      deal.amounts ? deal.parts : null,
      dice,
    );
    const amount = deal.parts.reduce((sum, part) => sum + part.amount, 0) + deal.extra;
    const namesakes = new Set(
      this.who
        .filter((other) => other.name === who.pays.name || other.pays.name === who.pays.name)
        .map((other) => other.parentId ?? other.id),
    ).size;
    const known =
      payerEmail !== "" || (namesakes === 1 && !cut && !troubles.includes("name")) || service;
    const free = who.open.filter(({ balance }) => balance > 0);
    const numbered = deal.clear === "by number" && text.readable && deal.said.length > 0;
    const bySum =
      deal.kind === "single" &&
      free.length <= 4 &&
      free.filter(({ balance }) => balance === amount).length === 1;
    const clear =
      (numbered && (known || text.whole)) ||
      (known &&
        !service &&
        payerEmail !== "" &&
        who.parentId === null &&
        !this.who.some(({ parentId }) => parentId === who.id) &&
        (bySum || (deal.clear === "by sum" && text.said === "")));
    this.add({
      paidOn,
      amount,
      payerName,
      payerEmail,
      reference: [dice.chance(0.5) ? deal.words : "", text.said, ""]
        .filter((part) => part !== "")
        .concat(deal.words)
        .slice(0, 2)
        .join(" "),
      truth: {
        kind: `${deal.kind}, ${troubles.join("+") || "plain"}`,
        customerId: who.parentId ?? who.id,
        lines: deal.parts.map(({ item, amount: sum, discount }) => ({
          number: item.number,
          amount: sum,
          discount,
        })),
        clear: clear && deal.clear !== "no",
      },
    });
  }

  private nobody(): void {
    const { dice } = this;
    const item = dice.pick(this.items.filter(({ balance }) => balance > 0));
    const who = this.who.find(({ id }) => id === item.customerId);
    const kind = dice.pick([
      "fitting sum",
      "half a name",
      "strange numbers",
      "new customer",
    ] as const);
    const name =
      kind === "half a name"
        ? (who?.name.split(" ")[0] ?? "")
        : `${dice.pick(["Quill", "Zephyr", "Tundra", "Umber"])} ${dice.pick(TRADES)}`;
    const text =
      kind === "strange numbers"
        ? dice.pick([
            "order 55120",
            "membership 2026",
            "tkt 99-1204",
            "ref 20261012",
            "unit 14 rent",
            "acct 3300412",
          ])
        : dice.pick(["", "thank you", "deposit", "for the boys", "gracias"]);
    this.add({
      paidOn: addDays(TODAY, -dice.whole(0, 9)),
      amount: kind === "strange numbers" ? dice.whole(2000, 200_000) : item.balance,
      payerName: name,
      payerEmail: dice.chance(0.3) ? `n${dice.whole(10, 99)}@outlook.com` : "",
      reference: text,
      truth: { kind: `nobody, ${kind}`, customerId: null, lines: [], clear: false },
    });
  }

  private add({ paidOn, amount, payerName, payerEmail, reference, truth }: ReceiptMade): void {
    if (amount <= 0) return;
    const id = this.receipts.length + 1;
    this.receipts.push({
      id,
      paidOn,
      method: this.dice.pick(["card", "ach_credit", "check"] as const),
      currency: USD,
      amount: minor(amount),
      payerName,
      payerEmail,
      reference,
    });
    this.truth.set(id, truth);
  }
}

function emailOf(dice: Dice, letters: string, id: number): string {
  if (dice.chance(0.08)) return "";
  if (dice.chance(0.3)) return `${letters.slice(0, 8)}.${id}@gmail.com`;
  return `ap@${letters.slice(0, 18)}${id}.example`;
}

function totalOf(dice: Dice, own: number): number {
  if (dice.chance(0.25)) return own;
  if (dice.chance(0.3)) return dice.whole(1, 60) * 5000;
  return dice.whole(900, 650_000);
}

function difficultiesOf(hard: boolean, dice: Dice): number {
  if (hard) return dice.whole(2, 3);
  if (dice.chance(0.7)) return 1;
  return 0;
}

function inTime(item: MatchItem, paidOn: Day): boolean {
  const terms = parseTerms(item.terms ?? "n/30");
  return terms.ok && discountOn(item.issuedOn, terms.value, paidOn, 0)?.inTime === true;
}
