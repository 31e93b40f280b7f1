import type { Day } from "@/core/calendar";
import type {
  AgeAsk,
  Aging,
  allowanceFor,
  Bucket,
  CashMonth,
  CreditAge,
  TaxOfAccount,
  Week,
} from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";

/** An aging as it stands in an address: ?as-of=, by=due|issued, days=30,60,90, of=customer|group, currency=. */
export type AgesAsked = AgeAsk & {
  readonly edges: readonly number[];
  readonly of: "customer" | "group";
};

export type AgesRow = {
  customerId: number;
  externalId: string;
  customer: string;
  ages: Minor[];
  total: Minor;
  credit: Minor;
};

export type AgesFacts = {
  asked: AgesAsked;
  rows: AgesRow[];
  count: number;
  ages: Minor[];
  total: Minor;
  credit: Minor;
  /** What stood in receivables on the day. */
  control: Minor;
};

export type AgedItem = {
  id: number;
  number: string;
  kind: string;
  site: string | null;
  description: string | null;
  on: Day;
  days: number;
  span: number;
  currency: Currency;
  balance: Minor;
  shown: Minor;
};

export type FigureMonth = {
  month: string;
  /** Its last day, or today. */
  end: Day;
  sales: Minor;
  receivables: Minor;
  notDue: Minor;
  dso: number | null;
  best: number | null;
  cei: number | null;
  daysLate: number | null;
};

export type FiguresFacts = {
  months: FigureMonth[];
  weeks: Week[];
  /** How the weeks sum up to what is owed: what comes later, and what credit notes take off. */
  owed: {
    later: Minor;
    open: Minor;
    notes: Minor;
    receivables: Minor;
    /** What customers have on account, which may pay a part of it. */
    onAccount: Minor;
  };
  /** What was expected four weeks ago for the time since, and what came of it. */
  before: {
    asOf: Day;
    expected: Minor;
    came: Minor;
  };
  calls: { customerId: number; name: string; overdue: Minor; why: string }[];
  allowance: {
    aging: Aging;
    percent: Readonly<Record<Bucket, string>>;
    byBucket: ReturnType<typeof allowanceFor>["byBucket"];
    sum: Minor;
    stands: Minor;
    entry: Minor;
  };
};

export type ExpectedItem = {
  itemId: number;
  number: string;
  customerId: number;
  customer: string;
  dueOn: Day;
  amount: Minor;
  promised: boolean;
};

/** What a year needs: gross by processor account and month, tax by code, income on the cash basis, credits by age. */
export type YearEndFacts = {
  year: string;
  /** Gross receipts as a processor reports them to the tax office, before fees and refunds. */
  gross: { account: string; months: Minor[]; sum: Minor }[];
  tax: TaxOfAccount[];
  cash: { months: CashMonth[]; received: Minor; income: Minor; tax: Minor };
  credits: {
    ages: { age: CreditAge; sum: Minor; count: number }[];
    sum: Minor;
    oldest: {
      receiptId: number;
      customerId: number | null;
      name: string;
      since: Day;
      sum: Minor;
      age: CreditAge;
    }[];
  };
};
