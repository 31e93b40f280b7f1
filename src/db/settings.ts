import type { Day } from "@/core/calendar";
import type { MailServer } from "@/core/formats";
import type { Bucket } from "@/core/metrics";
import { type BankDetails, type PaperLook, USUAL_LOOK } from "@/core/invoices";
import type { Currency } from "@/core/money";
import type { PaysBy } from "@/core/paying";

import type { Db } from "./connection";

/** What a book is set to. Sums in minor units of its currency. */
export type Settings = {
  name: string;
  currency: Currency;
  timeZone: string;
  /** ISO 3166 code: how days are typed goes by it. */
  country: string;
  /** A fixed "today" (the demo), or null: the real day in the book's time zone. */
  clock: Day | null;
  /** Invoices up to this day come over as opening balances. */
  cutOverOn: Day;
  discountGraceDays: number;
  smallDifferenceLimit: number;
  /** Of a thousand receipts that are posted as sure, how many may be wrong at most, as estimated. */
  wrongPerThousand: number;
  /** Overdue sums below this are not asked for. */
  smallestSumAskedFor: number;
  replyTo: string;
  /** By which server letters leave; its password lies outside the book. Null: they stay in the outbox. */
  mailServer: MailServerFacts | null;
  /** The mailbox that is read, and who may send files there; its password lies outside the book. */
  mailbox: MailboxFacts | null;
  /**
   * The address under which customers reach this server, without a slash at its end; letters carry
   * a link only where it is known.
   */
  linkBase: string | null;
  /** Nobody is written to twice within so many days. */
  letterInterval: number;
  /**
   * No letter goes once the files of an account in use end more than so many banking days ago:
   * nobody knows who has paid since.
   */
  feedDays: number;
  /** How many copies are kept, one a day; 0 where none are taken by themselves. */
  backupsKept: number;
  /** A folder whose files are taken up by themselves, while the server runs; null where none is. */
  watchedFolder: string | null;
  /** The edges of the aging report, in days, rising. */
  agingDays: number[];
  /** What part of each age is doubtful, in per cent (decimal text); null for what ships. */
  doubtfulPercent: Readonly<Record<Bucket, string>> | null;
  /**
   * The weekdays (1 is Monday) and the hour at which letters that may go by themselves go; null
   * where none do.
   */
  letterRun: { weekdays: number[]; hour: number } | null;
  /** Who works in the book; a write-off over the limit needs two of them. */
  people: string[];
  /** Nothing is dated up to this day any more; null while every day is open. */
  lockedTo: Day | null;
  /**
   * What cards are charged on top, in percent (decimal text), where that is agreed; null where
   * nothing is.
   */
  surchargePercent: string | null;
  /** Whether a discount, and a debt written off, lowers the tax owed. */
  taxOnDiscounts: boolean;
  taxOnBadDebts: boolean;
  /** What a customer is charged for a payment that came back; null where nothing is. */
  returnFee: number | null;
  /** What stands before the year in the numbers of documents that are written here. */
  invoicePrefix: string;
  creditNotePrefix: string;
  /** Terms of customers that have none of their own. */
  usualTerms: string;
  /** Whether rates that are typed contain the tax, and whether it is rounded by code or by line. */
  taxIncluded: boolean;
  taxRounded: "by_code" | "by_line";
  /** Documents over this wait for a second person; null where none does. */
  approvalOver: number | null;
  /** The lines of the business's address on its papers, and its tax number. */
  address: string[];
  taxNumber: string | null;
  /** Words of mails that bring a document, in the language of letter texts; null: ours. */
  coverSubject: string | null;
  coverBody: string | null;
  /** By which ways invoices may be paid; null: by all that the processor takes. */
  paysBy: PaysBy | null;
  /** The smallest sum that customers may choose to pay of what is open; null: invoices are paid whole. */
  ownSumsFrom: number | null;
  /** What an invoice saves that is paid whole from a bank account, in percent (decimal text). */
  bankSavingPercent: string | null;
  /** In how many parts at most customers may pay what is overdue, month by month; null: in none. */
  planParts: number | null;
  /** Whether a receipt is mailed for each payment that is made here. */
  mailReceipts: boolean;
  /** Whether a new bank account is proven to be its payer's before anything is taken from it. */
  provenAccounts: boolean;
  /** How many days before a sum is taken as agreed its customer has to know it; 0: no notice. */
  noticeDays: number;
  /** Where money goes, in words; looks choose by name. */
  bankDetails: BankDetails[];
  /** How papers look, by name; the first is the usual one. */
  looks: PaperLook[];
  /** What taking ACH costs a month, however many payments there are. */
  achFixedPerMonth: number;
};

export type MailServerFacts = Omit<MailServer, "secret">;
export type MailboxFacts = MailServerFacts & { user: string; from: string[] };

/** What books that were made before a setting existed are taken to say. */
const DEFAULTS: Partial<Settings> = {
  country: "US",
  people: ["clerk"],
  lockedTo: null,
  wrongPerThousand: 50,
  surchargePercent: null,
  taxOnDiscounts: false,
  taxOnBadDebts: false,
  returnFee: null,
  achFixedPerMonth: 2500,
  linkBase: null,
  mailbox: null,
  letterInterval: 12,
  feedDays: 5,
  backupsKept: 14,
  watchedFolder: null,
  agingDays: [30, 60, 90],
  doubtfulPercent: null,
  letterRun: null,
  mailServer: null,
  invoicePrefix: "INV-",
  creditNotePrefix: "CN-",
  usualTerms: "n/30",
  taxIncluded: false,
  taxRounded: "by_code",
  approvalOver: null,
  address: [],
  taxNumber: null,
  coverSubject: null,
  coverBody: null,
  paysBy: null,
  ownSumsFrom: null,
  bankSavingPercent: null,
  planParts: null,
  mailReceipts: false,
  provenAccounts: false,
  noticeDays: 0,
  bankDetails: [],
  looks: [USUAL_LOOK],
};

export function readSettings(db: Db): Settings {
  const rows = db.all<{ key: string; value: string }>("SELECT key, value FROM setting");
  return {
    ...DEFAULTS,
    ...Object.fromEntries(rows.map(({ key, value }) => [key, JSON.parse(value) as unknown])),
  } as Settings;
}

export function writeSettings(db: Db, changed: Partial<Settings>): void {
  for (const [key, value] of Object.entries(changed)) {
    db.run(
      "INSERT INTO setting (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value",
      key,
      JSON.stringify(value),
    );
  }
}

/** The mail server as books of earlier versions had it, which is forgotten by this; null where there is none. */
export function takeSmtpUrl(db: Db): string | null {
  const found = db.get<{ value: string }>("SELECT value FROM setting WHERE key = 'smtpUrl'");
  // What is deleted is written over, so that a password is not left in the file.
  if (found) db.exec("PRAGMA secure_delete = ON");
  db.run("DELETE FROM setting WHERE key = 'smtpUrl'");
  return found ? (JSON.parse(found.value) as string | null) : null;
}
