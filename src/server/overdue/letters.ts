import { Liquid, type Template } from "liquidjs";

import { addBankingDays, type Day } from "@/core/calendar";
import { type Attached, letterTemplate, type LetterTemplate } from "@/core/followup";
import { add, type Currency, formatAmount, type Minor, sumOf, ZERO } from "@/core/money";
import { reachedBy } from "@/core/parties";
import { fail, ok, type Result } from "@/core/result";
import { linkOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { wordingFor } from "@/db/letterTexts";
import { backAddresses, backFrom } from "@/db/persons";
import { inOther } from "@/db/rates";
import type { Settings } from "@/db/settings";

import { dayIn, owedBy, tablesOf } from "./letterTable";
import type { OverdueRow, RowItem } from "./queries/overdueRow";

export type LetterDraft = {
  /** Where it goes, several between commas; null where there is no address that letters reach. */
  to: string | null;
  copies: string;
  /** Addresses that it does not go to as letters come back from there, with why. */
  back: {
    address: string;
    why: string;
  }[];
  subject: string;
  body: string;
  step: number;
  sum: Minor;
  items: RowItem[];
  credit: Minor;
  attach: Attached;
  /** What is charged with it, in the currency of the oldest invoice that it names. */
  fee: Minor;
  feeCurrency: Currency;
};

/** A template sees its fields and nothing else: no files, no endless work. */
const engine = new Liquid({
  strictVariables: true,
  strictFilters: true,
  ownPropertyOnly: true,
  jsTruthy: true,
  templates: {},
  parseLimit: 100_000,
  // Milliseconds by the clock: a machine that stands still for a moment must refuse no letter.
  renderLimit: 5000,
  memoryLimit: 10_000_000,
});

type LetterAsked = {
  settings: Settings;
  today: Day;
  own?: LetterTemplate;
};

/**
 * One letter for all of it: every item that today's step names, of the customer and its sites,
 * credit taken off, fields filled, in the customer's language; the book's own words where it has
 * some.
 */
export function draftLetter(
  db: Db,
  row: OverdueRow,
  { settings, today, own }: LetterAsked,
): Result<LetterDraft> {
  const { items: all, named, creditIn } = row.detail();
  const items = all.filter(({ id }) => named.includes(id));
  const sum = add(
    sumOf(items, (item) => item.bookBalance),
    -row.credit,
  );
  const owed = owedBy(items, row.credit, creditIn, settings.currency);
  const { language } = row.followed;
  const { step, tone, attach } = letterStep(row);
  const charged = feeOfLetter(db, items, letterStep(row).fee, { settings, today });
  const { to, copies, back, greeting } = addressed(row, (address) => backFrom(db, address));
  const money = (currency: Currency, amount: Minor): string =>
    `${currency} ${formatAmount(amount, currency)}`;
  const fields: Record<string, string | number | boolean> = {
    customer: greeting,
    business: settings.name,
    count: items.length,
    ahead: row.oldestDays <= 0,
    sum: owed.map((entry) => money(entry.currency, entry.sum)).join(" + "),
    oldest_days: Math.max(0, row.oldestDays),
    reply_by: dayIn(addBankingDays(today, 5), language),
    fee: charged.fee === 0 ? "" : money(charged.feeCurrency, charged.fee),
    link: linkIn(db, settings, row.customer.id),
    table: tablesOf(items, owed, language),
  };
  const empty = Object.entries(fields).find(
    ([name, value]) => value === "" && name !== "link" && name !== "fee",
  );
  if (empty) return fail("letter.empty_field", { field: empty[0] });
  const template =
    own ?? wordingFor(db, row.ladderId, tone, language) ?? letterTemplate(tone, language);
  const filled = fill(template, fields);
  if (!filled.ok) return filled;
  return ok({
    to,
    copies,
    back,
    ...filled.value,
    step,
    sum,
    items,
    credit: row.credit,
    attach,
    ...charged,
  });
}

/**
 * The fee that a rung sets in the book's currency, in that of the oldest invoice that the letter
 * names: there it will stand. Nothing where no rate of it is known.
 */
function feeOfLetter(
  db: Db,
  items: readonly RowItem[],
  fee: Minor,
  { settings: { currency: book }, today }: LetterAsked,
): Pick<LetterDraft, "fee" | "feeCurrency"> {
  const feeCurrency = items.find(({ balance }) => balance > 0)?.currency ?? book;
  const inTheirs = inOther(db, { amount: fee, currency: feeCurrency, book, on: today });
  return { fee: inTheirs ?? ZERO, feeCurrency };
}

/** The customer's link, where customers reach this server. */
const linkIn = (db: Db, { linkBase }: Settings, customerId: number): string =>
  linkBase === null ? "" : `${linkBase}/account/${linkOf(db, customerId)}`;

/**
 * Where a letter to a customer goes: to its contact persons, or the address that it has itself, as
 * far as letters reach them.
 */
export function addressed(
  { persons, customer }: Pick<OverdueRow, "persons" | "customer">,
  whyBack: (address: string) => string | null,
): Pick<LetterDraft, "to" | "copies" | "back"> & { greeting: string } {
  const { to, copies, greeting } = reachedBy(persons, customer);
  const back = [...to, ...copies].flatMap((address) => {
    const why = whyBack(address);
    return why === null ? [] : [{ address, why }];
  });
  const reached = (some: readonly string[]): string =>
    some.filter((address) => !back.some((entry) => entry.address === address)).join(", ");
  return { to: reached(to) || null, copies: reached(copies), back, greeting };
}

/**
 * What is known of a letter before its words are: a list of thousands is read by it. The sum is
 * that of the letter, in the book's currency.
 */
export type LetterHead = Pick<LetterDraft, "to" | "copies" | "step" | "sum" | "attach"> & {
  tone: number;
  problem: string | null;
};

/** Heads of letters; addresses that letters come back from are read once. */
export function letterHeads(db: Db): (row: OverdueRow) => LetterHead {
  const known = new Map(backAddresses(db).map(({ address, why }) => [address.toLowerCase(), why]));
  return (row) => {
    const { step, tone, attach } = letterStep(row);
    const { to, copies, back } = addressed(
      row,
      (address) => known.get(address.toLowerCase()) ?? null,
    );
    return {
      to,
      copies,
      problem: whyNoAddress({ to, back }),
      sum: add(row.asked, -row.credit),
      step,
      tone,
      attach,
    };
  };
}

/** Why a letter cannot go, in words; null where it can. */
export function whyNoAddress({ to, back }: Pick<LetterDraft, "to" | "back">): string | null {
  if (to !== null) return null;
  const [first] = back;
  return first
    ? `the last letter to ${first.address} came back: ${first.why}`
    : "no e-mail address";
}

/** Templates as they were read before: a run fills the same few a thousand times. */
const read = new Map<string, Template[]>();
function parsed(text: string): Template[] {
  const before = read.get(text);
  if (before) return before;
  const made = engine.parse(text);
  if (read.size > 200) read.clear();
  read.set(text, made);
  return made;
}

/**
 * Subject and body with the fields filled in. Error letter.words where the template says something
 * that is no field, or cannot be read.
 */
export function fill(template: LetterTemplate, fields: object): Result<LetterTemplate> {
  try {
    const [subject, body] = [template.subject, template.body].map((text) =>
      String(engine.renderSync(parsed(text), fields)).replace(/\n{3,}/g, "\n\n"),
    );
    return ok({ subject: (subject ?? "").replace(/\s+/g, " ").trim(), body: body ?? "" });
  } catch (error) {
    return fail("letter.words", {
      what: error instanceof Error ? (error.message.split("\n")[0] ?? "") : "it cannot be read",
    });
  }
}

/** The rung that a letter of today is: a call that is written instead has the tone of the last letter. */
function letterStep({ next, followed }: OverdueRow): {
  step: number;
  tone: number;
  attach: Attached;
  fee: Minor;
} {
  const { step } = next;
  return step.act === "letter"
    ? step
    : {
        step: step.step,
        tone: followed.language === "en" && step.act === "stop" ? 4 : 3,
        attach: "statement",
        fee: ZERO,
      };
}
