/**
 * The words of the page that want explaining: our own, and the harder ones of the trade. The page of
 * words, the hints on hover and those on the key H are all made of this.
 */
type Entry = {
  /** As the page writes it. */
  name: string;
  /** Whether the word is ours, or the trade's. */
  of: "ours" | "trade";
  words: string;
};

export const GLOSSARY = {
  run: {
    name: "The run",
    of: "ours",
    words:
      "The five places of the daily work, in its order: Arrivals, Match, Payouts, Overdue, Books. The figure beside each is what is left to do there.",
  },
  tally: {
    name: "Tally",
    of: "ours",
    words:
      "A sum while it is put together: its terms one under the other, and under the double rule what is left. It is done when 0.00 is left.",
  },
  proofs: {
    name: "Proofs",
    of: "ours",
    words:
      "Sums that must be equal whichever way they are computed: from the journal, and from the documents. They stand along the bottom of every page and are recomputed after every change.",
  },
  sure: {
    name: "Sure",
    of: "ours",
    words:
      "A match that is beyond doubt: who paid and for what is said by the payment itself, and nothing speaks against it.",
  },
  to_check: {
    name: "To check",
    of: "ours",
    words:
      "A match that is likely and not beyond doubt. The row says what speaks for it, and what against.",
  },
  no_home: {
    name: "No home yet",
    of: "ours",
    words:
      "A receipt of which nobody can say yet whose it is. It stands in Receipts not identified.",
  },
  set_aside: {
    name: "Set aside",
    of: "ours",
    words:
      "A receipt that is not ours to apply. It is parked with its reason, and can be taken back.",
  },
  ladder: {
    name: "Ladder",
    of: "ours",
    words:
      "The plan of reminders: which letter or call comes how many days after the due day. Each customer follows the standard one or one of its own.",
  },
  waits: {
    name: "Waits",
    of: "ours",
    words:
      "What holds a reminder back: a receipt that may be theirs, a debit on its way, a promise, a dispute, an old feed. The reason stands beside it.",
  },
  account_page: {
    name: "Account page",
    of: "ours",
    words:
      "What a customer sees behind its own link: what is open, what was paid, and the papers of it.",
  },
  book: {
    name: "Book",
    of: "ours",
    words: "A business and all its data: one file, one currency it is kept in.",
  },
  clearing: {
    name: "Clearing",
    of: "trade",
    words:
      "What customers have paid and the processor has not yet paid out: charges less fees, refunds and disputes, until the payout reaches the bank.",
  },
  payout: {
    name: "Payout",
    of: "trade",
    words:
      "What the processor sends to the bank in one sum: charges less fees, refunds, disputes and returns.",
  },
  unidentified: {
    name: "Receipts not identified",
    of: "trade",
    words:
      "Money that came in and is not matched to a customer yet. It is owed to whoever paid it.",
  },
  on_account: {
    name: "Credit on account",
    of: "trade",
    words:
      "What a customer has paid beyond its invoices. It pays later ones, or is sent back; it is no income.",
  },
  receivables: {
    name: "Receivables",
    of: "trade",
    words: "What customers owe: every open invoice and late fee, less credit notes not used.",
  },
  short_payment: {
    name: "Short payment",
    of: "trade",
    words:
      "A payment that is less than its invoice. The rest stays open, is a discount, or is written off with a reason.",
  },
  remittance: {
    name: "Remittance advice",
    of: "trade",
    words: "What a payer sends to say which invoices a payment is for.",
  },
  dispute: {
    name: "Dispute",
    of: "trade",
    words:
      "A card holder takes a payment back through the bank. The sum is withdrawn at once, often with a fee, and comes back if the dispute is won.",
  },
  ach_return: {
    name: "ACH return",
    of: "trade",
    words:
      "A debit that the customer's bank sends back, with a code that says why (R01: not enough funds). The invoice is open again.",
  },
  reserve: {
    name: "Reserve",
    of: "trade",
    words: "What the processor keeps back for a time against disputes. It is still ours.",
  },
  write_off: {
    name: "Write-off",
    of: "trade",
    words:
      "A debt that is given up, as an expense. What comes for it after all is a recovery. A large one needs a second person.",
  },
  allowance: {
    name: "Allowance for doubtful debts",
    of: "trade",
    words:
      "What part of receivables will probably never be paid, judged by age. It lowers their value in the books before any one is written off.",
  },
  aging: {
    name: "Aging",
    of: "trade",
    words: "What is owed by how long it is past its due day: 1 to 30 days, 31 to 60, and so on.",
  },
  dso: {
    name: "DSO",
    of: "trade",
    words:
      "Days sales outstanding: how many days of sales are still owed. What is owed / sales of a period x its days.",
  },
  cei: {
    name: "CEI",
    of: "trade",
    words:
      "Collection effectiveness index: of what could have been collected in a month, how much was. (Opening + sold - owed) / (opening + sold - not due).",
  },
  promise: {
    name: "Promise",
    of: "trade",
    words: "What a customer has said it pays, and by when. No reminder goes before that day.",
  },
  accrual: {
    name: "Fees accrued",
    of: "trade",
    words:
      "Fees of a month that the processor bills later: they belong to the month in which they arose.",
  },
  revaluation: {
    name: "Revaluation",
    of: "trade",
    words:
      "What stands in another currency is taken at the rate of the last day of the month; the difference is a gain or a loss of exchange.",
  },
  trial_balance: {
    name: "Trial balance",
    of: "trade",
    words: "Every account with its balance on a day. All debits together are all credits together.",
  },
  reversal: {
    name: "Reversal",
    of: "trade",
    words:
      "The mirror of an entry: it takes it back, and both stay in the journal. Nothing is ever deleted.",
  },
  cut_over: {
    name: "Cut-over day",
    of: "trade",
    words:
      "The last day before the books start here. Invoices up to it come over as opening balances.",
  },
  closed: {
    name: "Closed days",
    of: "trade",
    words:
      "Days on which nothing is posted any more. What comes late stands on the first open day, and says for which day it is.",
  },
  tie: {
    name: "Tie",
    of: "trade",
    words: "To say that a payout is this line of the bank statement, to the cent.",
  },
} as const satisfies Record<string, Entry>;

export type GlossaryTerm = keyof typeof GLOSSARY;

/** Every word with its explanation, by its name. */
export function glossary(): readonly (Entry & { term: GlossaryTerm })[] {
  return (Object.keys(GLOSSARY) as GlossaryTerm[])
    .map((term) => ({ term, ...GLOSSARY[term] }))
    .sort((a, b) => a.name.localeCompare(b.name, "en"));
}
