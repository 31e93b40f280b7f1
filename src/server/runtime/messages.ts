import type { Failure } from "@/core/result";

import { BOOK_MESSAGES } from "./bookMessages";
import { DOCUMENT_MESSAGES } from "./documentMessages";
import { FILE_MESSAGES } from "./fileMessages";
import { PAYING_MESSAGES } from "./payingMessages";

/**
 * The words of every expected failure: what is wrong, where, and what to do.
 * Facts stand in braces. No card or account number ever gets in here.
 */
const MESSAGES: Record<string, string> = {
  ...BOOK_MESSAGES,
  ...DOCUMENT_MESSAGES,
  ...FILE_MESSAGES,
  ...PAYING_MESSAGES,
  "amount.empty": "There is no sum. Type one, or leave the line out.",
  "amount.unreadable": "“{text}” is not a sum. Write it like 1234.56.",
  "amount.mark":
    "“{text}” does not fit the decimal sign “{mark}”. Choose the other decimal sign for this file, or mend the cell.",
  "mark.open":
    "“{sample}” can be two sums, and nothing in the file says which: the decimal sign may be the point or the comma. Say which it is.",
  "amount.digits": "“{text}” has more decimals than {currency} has ({digits}).",
  "amount.large":
    "“{text}” is too large: a sum has at most a million million of its smallest unit.",
  "day.empty": "There is no date. Every line needs one.",
  "day.unreadable":
    "“{text}” cannot be read as a date. Choose another order of day, month and year, or mend the cell.",
  "day.range": "“{text}” lies before 1900 or after 2199. Mend the year.",
  "sum.large": "{where} is too large: a sum has at most a million million of its smallest unit.",
  "sum.total":
    "With this, {account} would come to more than can be added up exactly. Look at the sums of this.",
  "text.control":
    "{where} holds characters that are no text (controls, or such as turn its direction). Type it anew.",
  "text.long": "{where} is too long.",
  "email.unreadable":
    "“{text}” is no e-mail address, or one of several is not. Write office@example.com, several between semicolons.",
  "customer.circle":
    "With “{parent}” as its head office, “{id}” would be its own. Mend the head office in one of the lines.",
  "day.impossible":
    "“{text}” is a day that does not exist. Mend the cell, or choose another order of day, month and year.",
  "currency.unknown": "“{text}” is no currency of ISO 4217. Write its code, like USD.",
  "currency.other":
    "This line is in {text}, and {book} is meant here. Invoices can be in any currency that has an exchange rate (Books, Other currencies); a processor's file is in its account's own, a statement in the book's.",
  "terms.unreadable": "“{text}” are no payment terms. Write them like n/30 or 2/10 n/30.",
  "field.empty": "“{field}” is empty, and it is needed.",
  "row.other_head": "Line {head} is a head of another order. Give what is below it as a file.",
  "row.fields":
    "The line has {found} fields, the header {expected}. A comma without quotes is the usual cause.",
  "row.twice":
    "The id “{id}” stands on line {other} too, with another content. Keep the right one and give the file again.",
  "mapping.fields": "No column is given for: {fields}. Choose one for each.",
  "mapping.unknown": "There is no mapping named “{name}” for this kind of file.",
  "account.needed":
    "The book has several accounts of this kind. Say which one the file belongs to.",
  "account.number": "There is an account {account} already. Give it another number.",
  "account.kept": "{account} is needed: postings fall back to it. Name it otherwise, but keep it.",
  "account.used": "{account} was posted to, and stays. Name it otherwise, or leave it be.",
  "account.item": "The item {item} goes to {account}. Give it another account first.",
  "item.gone": "There is no item “{item}” on the list.",
  "account.none": "The book has no {kind} account yet. Add one first.",
  "account.unknown": "There is no account “{account}”.",
  "account.taken": "There is an account “{account}” already. Choose another name.",
  "customer.unknown":
    "There is no customer “{id}”. Take in the customers first, or mend the number.",
  "customer.alias":
    "The names this customer goes by are others by now (“{name}”). Load the page again.",
  "customer.parent": "The head office “{id}” is not among the customers.",
  "invoice.zero": "An invoice of 0.00 is never open. Leave it out.",
  "invoice.balance": "The balance must lie between zero and the total, with the same sign.",
  "invoice.due_before_issue": "It falls due on {due}, before it was issued on {issued}.",
  "activity.kind": "“{text}” is not a kind of row that is known. Say what it stands for.",
  "activity.no_sum": "There is neither a gross sum, nor a net one to find it from.",
  "activity.foot": "Gross less fee is not net here. Mend the line, or choose how fees are signed.",
  "activity.charge_sign": "A charge must be more than zero. Is this a refund?",
  "activity.changed":
    "Known already with another sum, {was}. Something rests on what was posted, which stays; ask the processor which is right.",
  "invoice.changed":
    "Known already with another sum, customer or open part ({was}, of which {open} is open here). A sent invoice does not change: correct it by a credit note, or take in what was paid.",
  "invoice.due_changed":
    "Known already, and due on {due} here. Change its due day on the invoice if the file is right.",
  "bank.zero": "A bank line of 0.00 moves nothing. Leave it out.",
  "remittance.sum": "The lines of this payment come to nothing or less. Mend the sums.",
  "receipt.unknown": "This receipt is not in the book.",
  "receipt.nobody":
    "This receipt is nobody’s yet: place it in Match first, then there is a paper for its customer.",
  "receipt.not_to_match":
    "This receipt was dealt with already. Look at its history, and undo that first.",
  "receipt.sum": "The parts of the receipt do not come out to its amount.",
  "tally.empty":
    "Nothing is given to an invoice or to an account. Add a line, or set the receipt aside.",
  "tally.over": "The lines come to more than the receipt, by {by}. Lower one of them.",
  "tally.item":
    "Invoice {number} has only {balance} open; {wanted} were to be given to it. It may have been paid meanwhile: look again.",
  "tally.customer":
    "{number} belongs to a customer of another group. A receipt pays within one group.",
  "tally.currency": "{number} is in another currency than the receipt.",
  "tally.surcharge":
    "A surcharge stands on top of invoices that are paid. Tick what it pays first.",
  "tally.small": "A difference of {sum} is over the limit of {limit} for small differences.",
  "tally.sign": "The sum on {number} has the wrong sign.",
  "letter.came_back":
    "The last letter to {address} came back: {why}. Give the customer another address, or say on its page that this one works.",
  "wording.sum":
    "Nobody would see what is asked for: the letter needs {{ sum }} or {{ table }} in its words.",
  "wording.none": "There are no words of your own for that; the ones that ship are used already.",
  "address.works": "Letters reach {address} as far as is known: there is nothing to set right.",
  "mail.large":
    "{file} is larger than {most} MB, which no report of a mail system is. Save the report itself, not the letters with it.",
  "mail.no_report":
    "{file} is not a report of a mail system that can be read (RFC 3464). Where it says that a letter came back, note that on the customer’s page, at the letter.",
  "letter.settled": "What became of this letter is known. Load the page again.",
  "question.unknown": "This question is not there. Load the page again.",
  "question.line": "This line is not on the invoice any more. Load the page again.",
  "question.long": "So much was said about this here that a call is better. Please call us.",
  "letter.unknown": "That letter is not in this book.",
  "letter.words":
    "The letter’s words cannot be filled in: {what}. Fields stand in double braces, like {{ customer }}.",
  "statements.many":
    "There are {count} statements, and at most {most} go into one file of this kind. Take them as CSV, or one by one from the customers’ pages.",
  "link.unknown": "This link leads nowhere, or no more.",
  "tally.recovered":
    "Only {most} was written off of this customer's debts and not paid since. Give the rest to an invoice or keep it on account.",
  "write_off.settled": "Nothing is open of {number}, so there is nothing to give up.",
  "write_off.waits":
    "A write-off of {number} waits for a second person already. It is under Overdue, Written off.",
  "approval.people":
    "Only one person works in this book. Add a second one under Set-up; a write-off over the limit needs two.",
  "approval.not_needed": "Nothing here is over the limit of {limit}. Post it.",
  "approval.unknown": "That was decided already.",
  "approval.same_person": "{person} asked for it. A second person has to decide.",
  "settings.people": "Two people have the same name. Tell them apart.",
  "lock.today": "Only days that are over can be closed.",
  "receipt.future": "{day} has not come yet.",
  "receipt.number": "A {what} has a number. Type it.",
  "receipt.twice":
    "The same {what} of {sum} was recorded already, dated {day}. If this is another one, say so and record it again.",
  "deposit.not_on_hand": "One of these is not on hand any more. Look again.",
  "deposit.currency": "A receipt in {currency} cannot go to this account.",
  "deposit.unknown": "That deposit is not under way.",
  "deposit.off":
    "The bank line is {bank}, the deposit {deposit}. Choose another line, or undo the deposit and make it anew.",
  "bounce.not_banked": "Only what was banked can come back. Tie its deposit first.",
  "bounce.line": "Choose a bank line that is open and takes out {sum}.",
  "act.unknown": "That is not in the history.",
  "act.undone": "That was undone already.",
  "act.not_undoable": "{kind} cannot be undone by itself.",
  "act.rests": "Something later rests on it: {what}. Undo that first.",
  "payout.unknown": "This payout is not in the book.",
  "payout.tied": "This payout is tied already. Undo that first.",
  "payout.off":
    "The bank lines come to {bank}, the payout to {net}: off by {off}. Say what the difference is, or choose other lines.",
  "payout.item": "One of these items stands in another payout, or is not in this one. Look again.",
  "payout.line": "That bank line is explained already, or in another currency.",
  "line.unknown": "That bank line is not in the book.",
  "line.explained": "That bank line is explained already. Undo that first.",
  "line.negative": "Money that went out cannot be a receipt.",
  "dispute.unknown": "That is not an open dispute.",
  "letter.no_address":
    "{customer} has no e-mail address. Add one to the customers' file and take it in.",
  "letter.nothing": "Nothing of {customer} is overdue any more. There is nothing to ask for.",
  "letter.left_out": "{customer} is left out of letters: {why}.",
  "letter.later": "{customer} was written to already; the next step is on {day}.",
  "rule.fits": "The line itself is not as the rule says: look at its words and sums again.",
  "rule.ended": "That rule has ended. It is made again from a bank line that it fits.",
  "letters.files_wait":
    "Nothing was sent: {files} in Arrivals may say who has paid. Take that in first, or send all the same.",
  "letters.all_held": "None of the {count} letters went: the first {why}.",
  "allowance.stands": "The allowance stands at {sum} already: there is nothing to post.",
  "late_fee.none": "None of these fees is due any more. Look at the list again.",
  "late_fee.unknown": "That late fee is not there any more.",
  "ladder.unknown": "That ladder is not there any more.",
  "ladder.taken": "There is a ladder {name} already.",
  "ladder.days": "Two steps are on the same day. Give each its own.",
  "ladder.standard": "The standard ladder stays: change its steps instead.",
  "item.unknown": "That invoice is not in the book.",
  "letter.waits": "{customer} waits: {why}. Settle that first.",
  "letter.empty_field": "The letter has an empty field, “{field}”.",
  "settings.time_zone": "“{text}” is not a time zone, like America/Chicago.",
  "settings.real_clock":
    "This book goes by the real day. Only the clock of a practice book can be moved on.",
  "settings.folder":
    "There is no folder {path}. Write where it is from the root of the server's machine, like /home/mara/from-the-bank.",
  "settings.folder_own": "{path} is where the books themselves lie. Choose another folder.",
  "settings.folder_taken":
    "The book {other} awaits its files in {path}. Choose a folder for this book alone: a file can go to one only.",
  "settings.clock": "The clock can only move on.",
  "input.invalid": "{where}: {what}",
  "command.unknown": "There is no command “{name}”.",
  "fees.taken": "{account} takes its fees with the charges: there is nothing to accrue.",
  "fees.no_rate":
    "{count} charges of {account} have no agreed rate. Say under Fees what was agreed first.",
  "fees.accrued": "All fees of {month} are accrued already, {account}.",
  "fees.bill_sign": "A bill is a line by which money goes out.",
  "fees.other_currency":
    "{account} is kept in {currency}: its bill is booked by hand, as the bank line that it is.",
  "fees.accrual": "Those months were billed meanwhile. Load the page again.",
  "return.code": "“{text}” is no code of a return (like R01) or of a change (like C01).",
  "return.trace":
    "No debit with the trace number {trace} is in the book. Take in the processor's activity first.",
  "return.amount": "{sum} came back, but the debit was {debit}.",
  "return.unknown": "That is no returned debit of this book.",
  "retry.account":
    "{returnCode}: the account is wrong. Mend it with the customer first, then charge anew.",
  "retry.unauthorized":
    "{returnCode}: the customer says it was not authorized. It is never tried again; ask for another way to pay.",
  "retry.tries": "It was tried again twice already, and may not be any more.",
  "retry.days": "180 days have passed since it first settled: it may not be tried again.",
  "retry.code": "Only R01 and R09 are tried again ({returnCode}). Talk to the customer.",
  "retry.day": "Choose a day after today, until {until} at the latest.",
  "retry.planned": "Another try is planned already.",
  "notice.unknown": "That notice was dealt with meanwhile.",
  "refund.more": "{sum} went out, but only {credit} stand on account.",
  "journal.span": "The last day lies before the first.",
  "journal.columns":
    "The file needs a column for the account, and one for the amount or two for debit and credit.",
  "journal.nothing":
    "Every entry from {from} to {to} went out before. Tick “again” to send them once more, marked.",
  "rate.missing":
    "There is no exchange rate for {currency} on {day} (the last one before it: {last}). Enter the day's rate in Books, under Other currencies, and do this again.",
  "rate.zero": "A rate is more than zero: what one of the currency is worth in the book's.",
  "rate.own": "{currency} is the book's own currency: it needs no rate.",
  "revalue.nothing":
    "Nothing in another currency stood open on {day}, or all of it stands at that day's rate already.",
  "revalue.done": "{day} was revalued already. Undo that first, on the trail.",
  "payout.rate":
    "At that line one {currency} would be worth {own}; the day's rate is {rate}. Choose the line that came for this payout.",
  "payout.other_currency":
    "A payout in another currency is tied whole, to lines that came for it alone.",
  "rate.unknown": "That rate is not agreed any more.",
  "rate.span": "The end lies before the beginning, or the least is more than the most.",
  "rate.unreadable": "“{text}” is not a rate.",
  "key.reused": "This request was already used for something else. Load the page again.",
};

/** The sentence for a failure. An unknown code shows itself, so that nothing is silent. */
export function inWords(error: Failure): string {
  const words = MESSAGES[error.code] ?? error.code;
  return words
    .replace(/\{(\w+)\}/g, (_, fact: string) => String(error[fact] ?? ""))
    .replace(/ \(“”\)| \(\)/g, "");
}

/** Codes the catalogue has words for; a test holds the code to it. */
export function knownCodes(): string[] {
  return Object.keys(MESSAGES);
}
