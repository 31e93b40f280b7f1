import { addDays, day, type Day, discountOn, parseTerms } from "@/core/calendar";
import type { MatchingInput, MatchItem, MatchReceipt } from "@/core/matching";
import { type Currency, currencyOf, minor, percentOf, ratioOf } from "@/core/money";

import { Dice } from "./dice";
import { firmName, NAME_NOISE, slug } from "./names";
import { REFERENCES, type Style, STYLES } from "./references";

/** What a receipt is truly for; null where nobody could say. `clear`: a careful clerk could be sure of it. */
export type Truth = {
  kind: string;
  customerId: number | null;
  lines: { number: string; amount: number; discount: number }[];
  clear: boolean;
};
export type Labelled = { input: MatchingInput; truth: Map<number, Truth> };

const USD = currencyOf("USD") as Currency;
const TODAY = day("2026-11-20");

type Firm = {
  id: number;
  name: string;
  email: string;
  parentId: number | null;
  payer: string;
  payerEmail: string;
  known: boolean;
  open: MatchItem[];
};

/** One made-up book with its truth. `hard`: two or three difficulties a receipt, otherwise at most one. */
export function generate(seed: number, hard: boolean, size = 400): Labelled {
  return new Maker(new Dice(seed), hard, size).make();
}

type ReceiptMade = {
  _firm: Firm | null;
  paidOn: Day;
  amount: number;
  payerName: string;
  payerEmail: string;
  reference: string;
  truth: Truth;
};

class Maker {
  private readonly firms: Firm[] = [];
  private readonly items: MatchItem[] = [];
  private readonly receipts: MatchReceipt[] = [];
  private readonly truth = new Map<number, Truth>();
  private readonly history: MatchingInput["history"][number][] = [];
  private readonly style: Style;
  private readonly service = { name: "BillRoute Payments", email: "remit@billroute.example" };

  constructor(
    private readonly dice: Dice,
    private readonly hard: boolean,
    private readonly size: number,
  ) {
    this.style = dice.pick(STYLES);
  }

  make(): Labelled {
    this.makeFirms();
    this.makeItems();
    for (const firm of this.dice.shuffled(this.firms)) this.pays(firm);
    this.makeStrangers();
    const receipts = this.dice.shuffled(this.receipts);
    return {
      input: {
        customers: this.firms.map(({ id, name, email, parentId }) => ({
          id,
          externalId: `C${id}`,
          name,
          email: email || null,
          parentId,
        })),
        items: this.items,
        receipts,
        history: this.history,
        closed: [],
        placed: [],
        settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
      },
      truth: this.truth,
    };
  }

  private makeFirms(): void {
    const { dice } = this;
    for (let id = 1; id <= this.size; id += 1) {
      const twin = dice.chance(0.04) ? this.firms.at(-1) : undefined;
      const name = twin?.name ?? firmName(dice);
      const parent = dice.chance(0.06)
        ? this.firms.slice(-30).find((firm) => firm.parentId === null && firm.email !== "")
        : undefined;
      const own = `accounts@${slug(name)}${id}.example`;
      const email = dice.chance(0.3) ? `${slug(name).slice(0, 9)}${id}@gmail.com` : own;
      const payer = dice.chance(0.08) ? firmName(dice) : name;
      const firm: Firm = {
        id,
        name,
        email: dice.chance(0.06) && !twin ? "" : email,
        parentId: parent ? parent.id : null,
        payer,
        payerEmail: dice.chance(0.15) ? `owner${id}@hotmail.com` : email,
        known: dice.chance(0.7) || payer !== name,
        open: [],
      };
      this.firms.push(firm);
      if (firm.known)
        for (let times = dice.whole(1, 4); times > 0; times -= 1)
          this.history.push({
            payerName: firm.payer,
            payerEmail: firm.payerEmail,
            customerId: id,
            times: 1,
          });
    }
    for (const firm of this.firms.slice(0, 12))
      this.history.push({
        payerName: this.service.name,
        payerEmail: this.service.email,
        customerId: firm.id,
        times: 1,
      });
  }

  private makeItems(): void {
    const { dice } = this;
    const plans = [14_000, 21_000, 42_000, 9900];
    const drafts = this.firms.flatMap((firm) =>
      Array.from({ length: dice.tail(25) + (dice.chance(0.4) ? 1 : 0) }, () => ({
        firm,
        issuedOn: addDays(TODAY, -dice.whole(1, 110)),
      })),
    );
    drafts.sort((a, b) => (a.issuedOn < b.issuedOn ? -1 : 1));
    drafts.forEach(({ firm, issuedOn }, at) => {
      const terms = dice.chance(0.2) ? "2/10 n/30" : "n/30";
      const total = totalOf(dice, plans);
      const note = dice.chance(0.03);
      const balance = balanceOf(note, total, dice);
      const item: MatchItem = {
        id: at + 1,
        number: (note ? "CN-" : "") + this.style.number(at, issuedOn, dice),
        customerId: firm.id,
        issuedOn,
        dueOn: addDays(issuedOn, 30),
        currency: USD,
        total: minor(note ? balance : total),
        balance: minor(balance),
        poNumber: dice.chance(0.25) ? this.style.order(at, dice) : null,
        terms,
      };
      this.items.push(item);
      firm.open.push(item);
    });
  }

  /** What one customer sends: one receipt, sometimes two. */
  private pays(firm: Firm): void {
    const { dice } = this;
    const open = firm.open
      .filter(({ balance }) => balance > 0)
      .sort((a, b) => {
        if (a.dueOn < b.dueOn) return -1;
        if (a.dueOn > b.dueOn) return 1;
        return a.id - b.id;
      });
    if (open.length === 0) return;
    const paidOn = addDays(TODAY, -dice.whole(0, 12));
    const old = open.filter(({ issuedOn }) => issuedOn < paidOn);
    if (old.length === 0) return;
    const chosen = this.choose(old, firm, paidOn);
    this.send(firm, chosen, paidOn);
    if (dice.chance(0.04) && chosen.how === "single" && chosen.lines.length === 1)
      this.again(firm, chosen, addDays(paidOn, dice.whole(1, 3)));
  }

  private choose(old: MatchItem[], firm: Firm, paidOn: Day): Chosen {
    const { dice } = this;
    const line = (item: MatchItem, amount: number = item.balance, discount = 0): Line => ({
      item,
      amount,
      discount,
    });
    const some = dice
      .shuffled(old)
      .slice(0, Math.min(old.length, dice.whole(2, 5)))
      .sort((a, b) => a.id - b.id);
    const drawn = dice.pick(old);
    const matchItem = old.find(({ balance }) => balance === drawn.balance) ?? drawn;
    const fits = old.filter((item) => item.balance === item.total && takesDiscount(item, paidOn));
    const due = old.filter(({ dueOn }) => dueOn <= paidOn);
    const note = firm.open.find(({ balance }) => balance < 0);
    const roll = dice.next();
    if (fits.length > 0 && roll < 0.6) {
      const item = dice.pick(fits);
      const discount = two(item.balance);
      return { how: "discount", lines: [line(item, item.balance - discount, discount)], extra: 0 };
    }
    if (note && roll < 0.5 && matchItem.balance > -note.balance)
      return { how: "credit note", lines: [line(matchItem), line(note)], extra: 0 };
    if (roll < 0.5) return { how: "single", lines: [line(matchItem)], extra: 0 };
    if (roll < 0.68) return { how: "several", lines: some.map((item) => line(item)), extra: 0 };
    if (roll < 0.75)
      return {
        how: "all open",
        lines: [...old.map((item) => line(item)), ...(note ? [line(note)] : [])],
        extra: 0,
      };
    if (roll < 0.79 && due.length > 0)
      return { how: "all due", lines: due.map((item) => line(item)), extra: 0 };
    if (roll < 0.805 && old.length > 3)
      return {
        how: "oldest",
        lines: old.slice(0, dice.whole(2, old.length - 1)).map((item) => line(item)),
        extra: 0,
      };
    if (roll < 0.84)
      return {
        how: "part",
        lines: [
          line(
            matchItem,
            Math.max(100, Math.floor((matchItem.balance * dice.whole(20, 80)) / 100)),
          ),
        ],
        extra: 0,
      };
    if (roll < 0.88)
      return { how: "over", lines: [line(matchItem)], extra: dice.whole(1, 60) * 100 };
    if (roll < 0.92 && matchItem.balance > 20_000)
      return {
        how: "bank fee",
        lines: [line(matchItem, matchItem.balance - dice.whole(15, 35) * 100)],
        extra: 0,
      };
    if (roll < 0.96 && matchItem.balance > 20_000)
      return {
        how: "deduction",
        lines: [line(matchItem, matchItem.balance - dice.whole(20, 160) * 50)],
        extra: 0,
      };
    const [first, next] = old;
    if (first && next && roll < 0.98)
      return {
        how: "part and next",
        lines: [line(first), line(next, Math.max(100, Math.floor(next.balance / 3)))],
        extra: 0,
      };
    return { how: "single", lines: [line(matchItem)], extra: 0 };
  }

  private send(firm: Firm, chosen: Chosen, paidOn: Day): void {
    const { dice, hard } = this;
    const troubles = difficultiesOf(hard, dice);
    const parts = dice
      .shuffled(["reference", "name", "email"] as const)
      .slice(0, Math.min(3, chosen.how === "single" ? troubles : Math.max(0, troubles - 1)));
    const head =
      firm.parentId === null ? firm : (this.firms.find(({ id }) => id === firm.parentId) ?? firm);
    const name = parts.includes("name")
      ? dice.pick([
          "upper",
          "cut16",
          "short",
          "misspelled",
          "noForm",
          "turned",
          "and",
          "empty",
        ] as const)
      : dice.pick(["exact", "upper", "noForm"] as const);
    const serviced = hard && dice.chance(0.05);
    const payerName = serviced ? this.service.name : NAME_NOISE[name](head.payer, dice);
    const ownEmail = parts.includes("email") || name === "cut16" ? "" : head.payerEmail;
    const payerEmail = serviced ? this.service.email : ownEmail;
    const written = this.reference(chosen, parts.includes("reference"));
    const amount = chosen.lines.reduce((sum, line) => sum + line.amount, 0) + chosen.extra;
    if (amount <= 0) return;
    const who =
      !serviced &&
      (payerName !== "" || payerEmail !== "") &&
      (payerEmail !== "" || name !== "misspelled");
    const twins =
      payerEmail === "" && this.firms.filter(({ name: other }) => other === head.name).length > 1;
    const says = written.clear;
    const clear = says && (who || written.whole) && !(twins && !written.whole);
    this.add({
      _firm: firm,
      paidOn,
      amount,
      payerName,
      payerEmail,
      reference: written.text,
      truth: {
        kind: `${chosen.how}, ${written.kind}, ${name}`,
        customerId: firm.parentId ?? firm.id,
        lines: chosen.lines.map(({ item, amount: sum, discount }) => ({
          number: item.number,
          amount: sum,
          discount,
        })),
        clear: clear || (who && !twins && head === firm && this.plain(chosen, firm)),
      },
    });
  }

  /** Without a word on it: clear where the payer is known and only one reading of the sum is there. */
  private plain(chosen: Chosen, firm: Firm): boolean {
    if (chosen.extra !== 0) return false;
    if (chosen.how === "single") {
      const mine = chosen.lines[0];
      return (
        firm.open.filter((item) => item.balance === mine?.amount).length === 1 &&
        firm.open.length <= 5
      );
    }
    return (
      chosen.how === "all open" && firm.open.length <= 6 && chosen.lines.length === firm.open.length
    );
  }

  private reference(
    chosen: Chosen,
    rough: boolean,
  ): { text: string; kind: string; clear: boolean; whole: boolean } {
    const { dice } = this;
    const numbers = chosen.lines.map(({ item }) => item);
    const words = deductionWords(chosen, dice);
    const kind = rough ? dice.pick(REFERENCES.rough) : dice.pick(REFERENCES.plain);
    const made = kind.write(numbers, this.style, dice);
    const exact = [
      "single",
      "several",
      "all open",
      "all due",
      "oldest",
      "discount",
      "credit note",
    ].includes(chosen.how);
    const entry = chosen.lines.length === 1;
    return {
      text: [made, words].filter((part) => part !== "").join(" "),
      kind: kind.name,
      clear: made !== "" && (exact || entry) && kind.clear,
      whole: made !== "" && kind.whole,
    };
  }

  /**
   * The same sum once more: the second is nobody's until somebody looks; unless another item of
   * that sum is open, which it may pay.
   */
  private again(firm: Firm, chosen: Chosen, paidOn: Day): void {
    if (firm.open.filter(({ balance }) => balance === chosen.lines[0]?.amount).length > 1) return;
    this.add({
      _firm: firm,
      paidOn,
      amount: chosen.lines[0]?.amount ?? 0,
      payerName: firm.payer,
      payerEmail: firm.payerEmail,
      reference: "",
      truth: {
        kind: "paid twice",
        customerId: firm.id,
        lines: [],
        clear: false,
      },
    });
  }

  private makeStrangers(): void {
    const { dice } = this;
    for (let count = Math.floor(this.receipts.length * 0.14); count > 0; count -= 1) {
      const item = dice.pick(this.items.filter(({ balance }) => balance > 0));
      const kind = dice.pick([
        "fitting sum",
        "other business",
        "first name only",
        "odd number",
      ] as const);
      const text =
        kind === "odd number"
          ? dice.pick(["order 88213", "tel 312-555-0188", "ref 2026-11-12", "job 4471"])
          : dice.pick(["", "thank you", "payment", "gracias", "Danke"]);
      this.add({
        _firm: null,
        paidOn: addDays(TODAY, -dice.whole(0, 10)),
        amount: kind === "fitting sum" ? item.balance : dice.whole(2000, 300_000),
        payerName:
          kind === "first name only" ? dice.pick(["Maria", "John S", "Wei"]) : firmName(dice),
        payerEmail: dice.chance(0.4) ? `x${dice.whole(100, 999)}@gmail.com` : "",
        reference: text,
        truth: { kind: `homeless, ${kind}`, customerId: null, lines: [], clear: false },
      });
    }
  }

  private add({
    _firm,
    paidOn,
    amount,
    payerName,
    payerEmail,
    reference,
    truth,
  }: ReceiptMade): void {
    const id = this.receipts.length + 1;
    this.receipts.push({
      id,
      paidOn,
      method: this.dice.pick(["card", "ach_credit", "wire"] as const),
      currency: USD,
      amount: minor(amount),
      payerName,
      payerEmail,
      reference,
    });
    this.truth.set(id, truth);
  }
}

type Line = { item: MatchItem; amount: number; discount: number };
type Chosen = { how: string; lines: Line[]; extra: number };

function totalOf(dice: Dice, plans: number[]): number {
  if (dice.chance(0.2)) return dice.pick(plans);
  if (dice.chance(0.3)) return dice.whole(2, 90) * 2500;
  return dice.whole(1500, 900_000);
}

function balanceOf(note: boolean, total: number, dice: Dice): number {
  if (note) return -Math.floor(total / 6);
  if (dice.chance(0.05)) return Math.floor(total * 0.4);
  return total;
}

function difficultiesOf(hard: boolean, dice: Dice): number {
  if (hard) return dice.whole(2, 3);
  if (dice.chance(0.75)) return 1;
  return 0;
}

function deductionWords(chosen: Chosen, dice: Dice): string {
  if (chosen.how === "deduction")
    return dice.pick([
      "less damaged goods",
      "minus freight",
      "short 1 box broken",
      "abzgl. Bruch",
      "menos flete",
      "moins casse",
    ]);
  if (chosen.how === "part")
    return dice.pick(["part payment", "instalment 1", "Teilzahlung", "pago parcial", "acompte"]);
  return "";
}

function two(amount: number): number {
  const percent = ratioOf("2");
  return percent.ok ? percentOf(amount, percent.value, "half-even") : 0;
}

function takesDiscount(item: MatchItem, paidOn: Day): boolean {
  const terms = parseTerms(item.terms ?? "n/30");
  return terms.ok && discountOn(item.issuedOn, terms.value, paidOn, 0)?.inTime === true;
}
