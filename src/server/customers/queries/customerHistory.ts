import { type HistoryLine } from "@/contracts/customers";
import { type Day, earlierFirst, formatDay } from "@/core/calendar";
import { type Currency, formatMoney } from "@/core/money";
import { type Visit, visitsOf } from "@/db/accountPages";
import { actsOfCustomer } from "@/db/acts";
import { type Db } from "@/db/connection";
import { type ContactRow, contactsOf, paidForByOthers, promiseParts } from "@/db/contacts";
import { type LetterRow, lettersOf } from "@/db/letters";
import { itemsOfCustomer } from "@/db/openItems";
import { receiptsOf } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { promiseNow } from "@/server/overdue/queries/promiseNow";

/**
 * One line of time: invoices, receipts, letters with their text, calls, promises, and every act,
 * newest first.
 */
export function historyOf(db: Db, customerId: number, today: Day): HistoryLine[] {
  const { currency } = readSettings(db);
  const amount = (sum: number, own: Currency = currency): string => formatMoney(sum, own, currency);
  const facts: HistoryFacts = { db, customerId, today, amount };
  return [
    ...invoiceLines(facts),
    ...receiptLines(facts),
    ...letterLines(facts),
    ...contactLines(facts),
    ...visitLines(facts),
    ...actLines(facts),
  ].sort((a, b) => earlierFirst(b.on, a.on));
}

type HistoryFacts = {
  db: Db;
  customerId: number;
  today: Day;
  amount: (sum: number, currency?: Currency) => string;
};

/** A line of the history; most have nothing more to say, lead nowhere and cannot be undone. */
const line = (
  told: Pick<HistoryLine, "on" | "kind" | "words"> & Partial<HistoryLine>,
): HistoryLine => ({
  more: "",
  href: null,
  actId: null,
  undone: false,
  letterId: null,
  ...told,
});

const invoiceLines = ({ db, customerId, amount }: HistoryFacts): HistoryLine[] =>
  itemsOfCustomer(db, customerId, 200).map((item) =>
    line({
      on: item.issuedOn,
      kind: item.kind.replace("_", " "),
      words: `${item.number}, ${amount(item.total, item.currency)}`,
      more: item.description ?? "",
      href: `invoices/${item.id}`,
    }),
  );

/** What it paid, and what others paid for it. */
const receiptLines = ({ db, customerId, amount }: HistoryFacts): HistoryLine[] => [
  ...receiptsOf(db, customerId).map((receipt) =>
    line({
      on: receipt.paidOn,
      kind: "receipt",
      words: `${amount(receipt.amount, receipt.currency)} from ${receipt.payerName || receipt.payerEmail}`,
      more: receipt.reference,
      href: `receipts/${receipt.id}`,
    }),
  ),
  ...paidForByOthers(db, customerId).map((entry) =>
    line({
      on: entry.on,
      kind: "receipt",
      words: `${amount(entry.amount, entry.currency)} on ${entry.number}`,
      more: `paid by ${entry.payer}`,
      href: `receipts/${entry.receiptId}`,
    }),
  ),
];

const letterLines = ({ db, customerId, amount }: HistoryFacts): HistoryLine[] =>
  lettersOf(db, customerId).map((letter) =>
    line({
      on: letter.onDay,
      kind: "letter",
      words: `${letter.step === 0 ? letter.subject : `letter ${letter.step}, ${amount(letter.sum)}`}: ${letterStands(letter)}`,
      more: letter.body,
      letterId: letter.id,
    }),
  );

const contactLines = ({ db, customerId, today, amount }: HistoryFacts): HistoryLine[] =>
  contactsOf(db, customerId).map((contact) =>
    line({
      on: contact.onDay,
      kind: contact.kind,
      words:
        contact.promisedOn === null
          ? contact.text
          : `${contact.text} (${promiseInWords(db, contact, today, amount)})`,
    }),
  );

const visitLines = ({ db, customerId }: HistoryFacts): HistoryLine[] =>
  visitsOf(db, customerId).map(({ on, what, number, itemId }) =>
    line({
      on,
      kind: "seen",
      words: what === "invoice" ? `downloaded ${number ?? "an invoice"}` : VISIT_WORDS[what],
      more: "by the customer",
      href: what === "invoice" ? `invoices/${itemId}` : null,
    }),
  );

/** Every act but letters and contacts, which have lines of their own. */
const actLines = ({ db, customerId }: HistoryFacts): HistoryLine[] =>
  actsOfCustomer(db, customerId)
    .filter(({ kind }) => kind !== "letter" && kind !== "contact")
    .map((act) => {
      const undoable = act.kind === "place" || act.kind === "forget";
      return line({
        on: act.onDay,
        kind: act.kind === "place" ? "placed" : act.kind.replaceAll("_", " "),
        words: act.text,
        more: act.actor,
        href: act.subjectKind === "receipt" ? `receipts/${act.subjectId}` : null,
        actId: undoable && act.undoneBy === null ? act.id : null,
        undone: act.undoneBy !== null,
      });
    });

const VISIT_WORDS: Record<Exclude<Visit, "invoice">, string> = {
  opened: "opened the account page",
  statement: "downloaded the statement",
};

function letterStands(letter: LetterRow): string {
  if (letter.cameBack !== null) return `came back: ${letter.cameBack}`;
  if (letter.delivery === "outbox") return "in the outbox";
  if (letter.delivery === "retry") return "the mail server is tried again";
  return letter.delivery;
}

/** A promise with its parts, and how it was kept. */
function promiseInWords(
  db: Db,
  contact: ContactRow,
  today: Day,
  amount: (sum: number) => string,
): string {
  const parts = promiseParts(db, contact.id).get(contact.id);
  const state = promiseNow(db, contact, parts, today)?.state;
  const said = (parts ?? [{ dueOn: contact.promisedOn ?? today, sum: contact.promisedSum }])
    .map(
      ({ dueOn, sum }) => `${sum === null ? "" : `${amount(sum)} `}by ${formatDay(dueOn, today)}`,
    )
    .join(", ");
  return `${said}${outcomeInWords(state)}`;
}

function outcomeInWords(state: string | undefined): string {
  if (state === "kept") return "; kept";
  if (state === "broken") return "; broken";
  return "";
}
