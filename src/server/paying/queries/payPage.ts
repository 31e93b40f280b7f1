import { createHash } from "node:crypto";

import type { MethodOnFile } from "@/contracts/payMethods";
import type { PayFacts, PayItem } from "@/contracts/paying";
import type { PlanShown } from "@/contracts/payPlans";
import { addBankingDays, type Day } from "@/core/calendar";
import { add, type Currency, minor, type Minor, sumOf, ZERO } from "@/core/money";
import { consentWords, methodInWords, WAYS_TO_PAY } from "@/core/paying";
import { customerOfLink } from "@/db/accountPages";
import { consentOf } from "@/db/consents";
import type { Db } from "@/db/connection";
import { customerById, sitesOf } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { openItemById, type OpenItemRow, openItemsOf } from "@/db/openItems";
import { itemsOfLink, payLinkByHash, payLinkById } from "@/db/payLinks";
import { beingPaid, paymentsOf, triesOfPart } from "@/db/payments";
import { isInPlan, partsOfPlan, plansInForce } from "@/db/payPlans";
import { payMethodsOf, type PayMethodRow } from "@/db/payMethods";
import { creditsKept } from "@/db/receipts";
import { readSettings, type Settings } from "@/db/settings";

import { processorAddress } from "../processorAddress";
import { accountForWay } from "../steps/accountFor";
import { isProven } from "../steps/isProven";
import { sumLimitsFor, sumRulesFor } from "../steps/sumRules";
import { waysFor } from "../steps/waysFor";
import { partStands } from "./planned";

/** Banking days until a debit counts (common practice, no source). */
const DEBIT_DAYS = 3;

/** Whose link it is, and for which invoices; no invoices: for all that is open. */
export type PayLink = {
  /** Null: the page of the account, which is no link of its own. */
  linkId: number | null;
  customerId: number;
  itemIds: number[];
  /** Whether all that it is for is paid: it has ended, and tells nothing of the account any more. */
  isPaid: boolean;
  /** Whether who pays by it has to agree that what comes is taken by itself. */
  asksConsent: boolean;
};

export const hashOfLink = (token: string): string =>
  createHash("sha256").update(token).digest("hex");

/** A link to pay by, or that of the account page; null where it leads nowhere, or no more. */
export function payLinkOf(db: Db, token: string): PayLink | null {
  const link = payLinkByHash(db, hashOfLink(token));
  if (link) {
    const itemIds = itemsOfLink(db, link.id);
    const isPaid =
      itemIds.length > 0 && itemIds.every((id) => (openItemById(db, id)?.balance ?? 0) <= 0);
    const { id: linkId, customerId } = link;
    const asksConsent = link.asksConsent === 1;
    return link.endedOn === null ? { linkId, customerId, itemIds, isPaid, asksConsent } : null;
  }
  const customerId = customerOfLink(db, token);
  return customerId === undefined ? null : accountOf(customerId);
}

/** The page of a whole account, which has no link of its own. */
const accountOf = (customerId: number): PayLink => ({
  linkId: null,
  customerId,
  itemIds: [],
  isPaid: false,
  asksConsent: false,
});

/** Whether who pays by a link has to agree, and has not yet, that what comes is taken by itself. */
export const wantsConsent = (db: Db, { asksConsent, customerId }: PayLink): boolean =>
  asksConsent && consentOf(db, customerId) === undefined;

/** Whether a way to pay is on a customer's file: what was removed is used no more. */
export const isOnFile = (db: Db, customerId: number, methodId: number): boolean =>
  payMethodsOf(db, customerId).some(({ id }) => id === methodId);

type PayPageAsked = {
  book: string;
  today: Day;
  /** In which currency it is paid; null: the book's, or the one that is open. */
  wanted?: string | null;
};

/** What is on account of a customer in a currency, and what its open credit notes come to. */
function creditIn(db: Db, customerId: number, currency: Currency): Minor {
  const kept = creditsKept(db).filter(
    (row) => row.customerId === customerId && row.currency === currency,
  );
  const notes = openItemsOf(db, customerId).filter(
    (item) => item.balance < 0 && item.currency === currency,
  );
  return add(
    sumOf(kept, ({ own }) => own),
    -sumOf(notes, ({ balance }) => balance),
  );
}

/** The pay page behind a link; null where it leads nowhere. */
export function payPageOf(
  db: Db,
  { token, ...asked }: PayPageAsked & { token: string },
): PayFacts | null {
  const link = payLinkOf(db, token);
  const facts = link && factsFor(db, link, asked);
  if (!link?.isPaid || !facts) return facts;
  const { linkId } = link;
  // Whoever has the link of what is paid learns nothing more by it.
  const nothing = { others: [], credit: ZERO, onWay: [], methods: [], agreed: null, plans: [] };
  return { ...facts, ...nothing, ended: linkId !== null };
}

/** The same as a clerk takes a payment at a customer's word: nothing is agreed to on it. */
export function clerkPayPageOf(db: Db, customerId: number, asked: PayPageAsked): PayFacts | null {
  const facts = factsFor(db, accountOf(customerId), asked);
  // What customers are offered binds them, and not who takes a payment at their word.
  const items = facts?.items.map((item) => ({ ...item, ways: [...WAYS_TO_PAY] }));
  const limits = { from: minor(1), to: null };
  return (
    facts && {
      ...facts,
      items: items ?? [],
      limits,
      planParts: 0,
      language: "en",
      agreed: null,
      byClerk: true,
      byHand: facts.currency === readSettings(db).currency,
    }
  );
}

function factsFor(
  db: Db,
  link: PayLink,
  { book, today, wanted = null }: PayPageAsked,
): PayFacts | null {
  const customer = customerById(db, link.customerId);
  if (!customer) return null;
  const settings = readSettings(db);
  const open = openOf(db, link);
  const currencies = [...new Set(open.map((item) => item.currency))];
  const currency =
    currencies.find((code) => code === wanted) ??
    currencies.find((code) => code === settings.currency) ??
    currencies[0] ??
    settings.currency;
  const consent = consentOf(db, customer.id);
  const { language } = followedRow(db, customer.id);
  return {
    book,
    business: settings.name,
    questions: settings.replyTo,
    customer: customer.name,
    email: customer.email,
    language,
    today,
    currency,
    others: currencies.filter((code) => code !== currency),
    credit: creditIn(db, customer.id, currency),
    items: open.filter((item) => item.currency === currency).map((item) => payItemOf(db, item)),
    onWay: paymentsOf(db, customer.id, 50)
      .filter(({ state }) => state === "on_way")
      .map(({ amount, settlesOn }) => ({ amount, settlesOn })),
    methods: payMethodsOf(db, customer.id).map((method) => methodShown(db, settings, method)),
    agreed: consent
      ? { methodId: consent.methodId, onDay: consent.onDay, words: consent.words }
      : null,
    ways: WAYS_TO_PAY.filter((way) => accountForWay(db, way, currency) !== undefined),
    consent: consentWords(language, settings.name, "{method}"),
    method: methodInWords(language, { name: "{name}", lastFour: "{lastFour}" }),
    processor: processorAddress() === "" ? "" : `${processorAddress()}/${book}`,
    debitSettlesOn: addBankingDays(today, DEBIT_DAYS),
    rules: sumRulesFor(settings, "link"),
    limits: sumLimitsFor(settings, link.linkId === null ? null : payLinkById(db, link.linkId)),
    mustAgree: wantsConsent(db, link),
    planParts: settings.planParts ?? 0,
    provenAccounts: settings.provenAccounts,
    ofSmallSums: "",
    plans: plansShown(db, customer.id, today),
    ended: false,
    byClerk: false,
    byHand: false,
  };
}

const methodShown = (db: Db, settings: Settings, method: PayMethodRow): MethodOnFile => {
  const { id, way, name, lastFour, expires, sumsThereOn } = method;
  return { id, way, name, lastFour, expires, sumsThereOn, usable: isProven(db, settings, method) };
};

const plansShown = (db: Db, customerId: number, today: Day): PlanShown[] =>
  plansInForce(db, customerId).map(({ id }) => ({
    id,
    parts: partsOfPlan(db, id).map(({ id: partId, dueOn, amount }) => ({
      dueOn,
      amount,
      stands: partStands(triesOfPart(db, partId), today),
    })),
  }));

const payItemOf = (db: Db, item: OpenItemRow): PayItem => ({
  id: item.id,
  number: item.number,
  description: item.description,
  dueOn: item.dueOn,
  balance: item.balance,
  beingPaid: beingPaid(db, item.id),
  ways: waysFor(db, item),
  inPlan: isInPlan(db, item.id),
});

/** What is open of a link's invoices: the customer's own and its sites', the oldest due first. */
function openOf(db: Db, { customerId, itemIds }: PayLink): OpenItemRow[] {
  const chosen = new Set(itemIds);
  return [customerId, ...sitesOf(db, customerId).map(({ id }) => id)]
    .flatMap((id) => openItemsOf(db, id))
    .filter(({ id, balance }) => balance > 0 && (chosen.size === 0 || chosen.has(id)))
    .sort((a, b) => {
      if (a.dueOn !== b.dueOn) return a.dueOn < b.dueOn ? -1 : 1;
      return a.id - b.id;
    });
}
