import { addDays, day, type Day, discountOn, parseTerms } from "@/core/calendar";
import type { MatchItem, MatchReceipt } from "@/core/matching";
import { type Currency, currencyOf, minor, percentOf, ratioOf, sumOf } from "@/core/money";

import { Dice } from "./dice";
import type { Labelled, Truth } from "./generate";
import { firmName, NAME_NOISE, slug } from "./names";
import { type Language, LANGUAGES, listed, money, scanned } from "./sentences";

const EUR = currencyOf("EUR") as Currency;
const TODAY = day("2026-10-12");
const END_OF_SEPTEMBER = day("2026-09-30");

type Payer = { id: number; name: string; email: string; language: Language; items: MatchItem[] };
type Line = { item: MatchItem; amount: number; discount: number };
type Said = { kind: string; lines: Line[]; over?: number; text: string; clear: boolean };

/**
 * A fourth maker of labelled books, by a grammar of what people write in eight
 * languages, with reading errors of scanned slips. Each customer pays once, so
 * that nothing but the words and the sum tell what for. It is left out of every
 * fit: what the engine does on it says how it does on what nobody here thought of.
 */
export function grammar(seed: number, hard: boolean, size = 420): Labelled {
  const dice = new Dice(seed * 17 + 11);
  const numbers = numbering(dice);
  const payers = Array.from({ length: size }, (_, at) => payerOf(at + 1, numbers, dice));
  const truth = new Map<number, Truth>();
  const receipts = payers.flatMap((payer): MatchReceipt[] => {
    const paidOn = addDays(TODAY, dice.whole(0, 5));
    const said = saidBy(payer, { dice, hard, paidOn });
    if (!said) return [];
    truth.set(payer.id, truthOf(payer, said));
    const amount = sumOf(said.lines, (line) => minor(line.amount)) + (said.over ?? 0);
    return [receiptOf(payer, { dice, hard, paidOn, amount, text: said.text })];
  });
  return {
    input: {
      customers: payers.map(({ id, name, email }) => ({
        id,
        externalId: `C${id}`,
        name,
        email: email === "" ? null : email,
        parentId: null,
      })),
      items: payers.flatMap(({ items }) => items),
      receipts,
      history: [],
      closed: [],
      placed: [],
      settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
    },
    truth,
  };
}

/** How this book numbers its invoices, rising. */
function numbering(dice: Dice): () => string {
  let at = dice.whole(1200, 80_000);
  const style = dice.pick<(number: number) => string>([
    (number) => `${number}`,
    (number) => `RE-${String(number).padStart(6, "0")}`,
    (number) => `2026/${String(number).padStart(5, "0")}`,
    (number) => `A${String(number).padStart(6, "0")}${"KTRWAGMY"[number % 8] ?? ""}`,
  ]);
  return () => style((at += dice.whole(1, 4)));
}

function payerOf(id: number, number: () => string, dice: Dice): Payer {
  const name = firmName(dice);
  const items = Array.from({ length: dice.tail(8) + 1 }, (): MatchItem => {
    const issuedOn = addDays(TODAY, -dice.whole(1, 70));
    const total = minor(dice.chance(0.25) ? dice.whole(1, 90) * 5000 : dice.whole(2000, 700_000));
    return {
      id: 0,
      number: number(),
      customerId: id,
      issuedOn,
      dueOn: addDays(issuedOn, 30),
      currency: EUR,
      total,
      balance: total,
      poNumber: null,
      terms: dice.pick(["n/30", "n/30", "2/10 n/30"]),
    };
  });
  items.forEach((item, at) => Object.assign(item, { id: id * 100 + at }));
  const email = dice.chance(0.7) ? `office@${slug(name)}${id}.example` : "";
  return { id, name, email, language: dice.pick(LANGUAGES), items };
}

type Asked = { readonly dice: Dice; readonly hard: boolean; readonly paidOn: Day };
const whole = (items: readonly MatchItem[]): Line[] =>
  items.map((item) => ({ item, amount: item.balance, discount: 0 }));

const EASY = ["one", "one", "list", "list", "silent", "discount", "part"] as const;
const HARD = [
  "one",
  "list",
  "silent",
  "part",
  "oldest",
  "statement",
  "claim",
  "rest",
  "beside",
  "over",
  "ahead",
] as const;

/** One thing that this payer pays, and how it is said; null where its items do not allow it. */
function saidBy(payer: Payer, asked: Asked): Said | null {
  const { dice, hard } = asked;
  const kind = dice.pick(hard ? HARD : EASY);
  const { language: of } = payer;
  const one = dice.pick(payer.items);
  const some = dice.shuffled(payer.items).slice(0, dice.whole(2, 4));
  const named = (items: readonly MatchItem[]): string =>
    `${dice.pick(items.length > 1 ? of.invoices : of.invoice)} ${listed(
      items.map(({ number }) => number),
      of,
      dice,
    )}`;
  const made = (lines: Line[], text: string, clear = true): Said => ({ kind, lines, text, clear });
  switch (kind) {
    case "one":
      return made(whole([one]), named([one]));
    case "list":
      return made(whole(some), named(some));
    case "silent":
      return payer.items.some((item) => item !== one && item.balance === one.balance)
        ? null
        : made(whole([one]), dice.pick(of.thanks));
    case "discount":
      return discounted(one, asked.paidOn, `${named([one])} ${of.less} ${of.discount}`);
    case "part": {
      const amount = Math.round(one.balance / dice.pick([2, 3, 4]) / 100) * 100;
      return made([{ item: one, amount, discount: 0 }], `${dice.pick(of.part)} ${one.number}`);
    }
    case "oldest":
      return oldest(payer.items, dice, of.oldest);
    case "statement": {
      const upTo = payer.items.filter(({ issuedOn }) => issuedOn <= END_OF_SEPTEMBER);
      return upTo.length > 1 ? made(whole(upTo), `${of.statement} ${of.month}`) : null;
    }
    case "claim": {
      const by = Math.round(one.balance / dice.whole(8, 20));
      const text = `${named([one])} ${of.less} ${money(by, of)} ${of.damage}`;
      return made([{ item: one, amount: one.balance - by, discount: 0 }], text);
    }
    case "rest": {
      const [first, next] = payer.items;
      if (!first || !next) return null;
      Object.assign(first, { balance: minor(Math.round(first.total / 2)) });
      return made(whole([first, next]), of.restAndNext(first.number));
    }
    case "beside":
      return beside(some, of, dice);
    case "over":
      return { ...made(whole([one]), named([one])), over: dice.whole(1, 90) };
    case "ahead":
      return { ...made([], dice.pick(["Anzahlung", "deposit", "acompte"]), false), over: 250_000 };
  }
}

function discounted(item: MatchItem, paidOn: Day, text: string): Said | null {
  const terms = parseTerms(item.terms ?? "n/30");
  const offer = terms.ok ? discountOn(item.issuedOn, terms.value, paidOn, 0) : null;
  const percent = offer ? ratioOf(offer.percent) : null;
  if (!offer?.inTime || !percent?.ok) return null;
  const discount = percentOf(item.total, percent.value, "half-even");
  const lines = [{ item, amount: item.balance - discount, discount }];
  return { kind: "discount", lines, text, clear: true };
}

function oldest(items: readonly MatchItem[], dice: Dice, text: string): Said | null {
  const [first, next] = [...items].sort(
    (a, b) => (a.dueOn < b.dueOn ? -1 : Number(a.dueOn > b.dueOn)) || a.id - b.id,
  );
  if (!first || !next || next.balance < 3000) return null;
  const part = { item: next, amount: dice.whole(1000, next.balance - 1000), discount: 0 };
  return { kind: "oldest", lines: [...whole([first]), part], text, clear: true };
}

/** Each number with its sum, of which one is paid in part. */
function beside(items: readonly MatchItem[], of: Language, dice: Dice): Said | null {
  if (items.length < 2) return null;
  const lines = items.map((item, at) => ({
    item,
    amount: at === 0 ? Math.round(item.balance * 0.6) : item.balance,
    discount: 0,
  }));
  const sign = dice.pick([" ", ": ", " = "]);
  const text = lines.map(({ item, amount }) => `${item.number}${sign}${money(amount, of)}`);
  return { kind: "beside", lines, text: text.join("; "), clear: true };
}

function truthOf({ id }: Payer, { kind, lines, clear }: Said): Truth {
  return {
    kind,
    customerId: lines.length > 0 ? id : null,
    lines: lines.map(({ item, amount, discount }) => ({ number: item.number, amount, discount })),
    clear,
  };
}

function receiptOf(
  { id, name, email, language }: Payer,
  { dice, hard, paidOn, amount, text }: Asked & { amount: number; text: string },
): MatchReceipt {
  const noise = dice.pick(
    hard
      ? (["upper", "cut16", "short", "noForm"] as const)
      : (["exact", "upper", "noForm"] as const),
  );
  const slip = hard && dice.chance(0.4);
  const thanks = dice.chance(0.3) ? ` ${dice.pick(language.thanks)}` : "";
  const reference = `${text}${thanks}`.trim();
  return {
    id,
    paidOn,
    method: slip ? "check" : "wire",
    currency: EUR,
    amount: minor(amount),
    payerName: NAME_NOISE[noise](name),
    payerEmail: dice.chance(0.2) ? email : "",
    reference: slip ? scanned(reference, dice) : reference,
  };
}
