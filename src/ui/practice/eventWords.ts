/** What each kind of event is called, for one and for several. */
const WORDS: Readonly<Record<string, readonly [one: string, several: string]>> = {
  invoices: ["invoice from an order", "invoices from orders"],
  scheduled: ["invoice by schedule", "invoices by schedule"],
  link_paid: ["bill paid by card", "bills paid by card"],
  link_on_way: ["bill paid from a bank account", "bills paid from bank accounts"],
  link_declined_then_paid: ["card declined, then another", "cards declined, then others"],
  agreed_paid: ["taken as agreed", "taken as agreed"],
  agreed_on_way: ["debit begun as agreed", "debits begun as agreed"],
  agreed_declined: ["agreed payment declined", "agreed payments declined"],
  agreed_held: ["agreed payment held", "agreed payments held"],
  bank: ["credit at the bank", "credits at the bank"],
  bank_twice: ["credit that will come twice", "credits that will come twice"],
  settled: ["debit settled", "debits settled"],
  returned: ["debit came back", "debits came back"],
  disputes: ["dispute", "disputes"],
  disputes_won: ["dispute won", "disputes won"],
  disputes_lost: ["dispute lost", "disputes lost"],
  released: ["reserve given back", "reserves given back"],
  payouts: ["payout", "payouts"],
  payouts_failed: ["payout refused by the bank", "payouts refused by the bank"],
  other_lines: ["other bank line", "other bank lines"],
  files: ["file taken in", "files taken in"],
  matched: ["receipt matched", "receipts matched"],
  broken_proofs: ["proof BROKEN", "proofs BROKEN"],
};

/** What happened on a day, in a line. @example { invoices: 2 } // "2 invoices from orders" */
export function eventsInWords(events: Readonly<Record<string, number>>): string {
  const words = Object.entries(events).map(([kind, count]) => {
    const [one, several] = WORDS[kind] ?? [kind, kind];
    return `${count} ${count === 1 ? one : several}`;
  });
  return words.length === 0 ? "nothing" : words.join(" · ");
}
