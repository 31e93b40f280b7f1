/** Failures about paying: methods, payments, what was agreed to, and the practice world. */
export const PAYING_MESSAGES: Record<string, string> = {
  "card.number":
    "This is no card number: one of its digits is wrong, or it is a card that is not taken here.",
  "card.length": "A card number has 12 to 19 digits.",
  "card.expiry": "Write month and year as on the card, like 04/29.",
  "card.expired": "This card has run out. Take another.",
  "card.code": "The code on this card has {digits} digits.",
  "account.routing": "This is no routing number: nine digits, at the lower left of a check.",
  "account.form": "An account number has 4 to 17 digits.",
  "account.again": "The two account numbers differ.",
  "card.no_link":
    "Letters have no address of the customers’ pages yet. Give it under Set-up first.",
  "card.not_yet": "This card is good for longer than two months. Load the page again.",
  "pay.way": "The invoice {number} is not paid by {way}: another way is offered for it.",
  "method.unproven":
    "{method} is not proven to be its payer's yet. On the pay page its bank says so, or two small sums.",
  "proof.wrong": "These are not the two sums that came. Look at them again; there are three tries.",
  "proof.over":
    "Three tries were wrong. Take this account off, and type it anew or pay another way.",
  "code.wrong": "That is not the code that was sent. After three tries the bank declines.",
  "method.gone": "This way to pay is not on file any more. Choose another.",
  "method.token":
    "The processor's word for it looks like a card number, and is not kept. Type it once more.",
  "method.agreed": "What is due is taken from it as agreed. End that first.",
  "consent.none": "Nothing is agreed to that could be ended or taken.",
  "pay.no_account": "The business takes no {currency} this way. Choose another way, or ask it.",
  "pay.item_gone": "One of these invoices is not there any more. Load the page again.",
  "pay.currencies": "Invoices in one currency are paid at a time.",
  "pay.paid": "{number} is paid or being paid already. Load the page again.",
  "pay.key": "This payment was asked for with another sum before. Load the page again.",
  "refund.way":
    "This money did not come by the processor: send it back from the bank, and tie its line on the statement.",
  "refund.free": "{sum} cannot go back: {credit} of it are free to.",
  "refund.used": "What was to go back was given to something else meanwhile: nothing was sent.",
  "refund.note": "This is no open credit note of the same customer and currency.",
  "refund.charge": "The processor does not have this charge.",
  "refund.left": "So much is not left of this charge at the processor, or its holder disputes it.",
  "refund.decided": "This was decided meanwhile.",
  "pay.whole": "Invoices are paid whole here. Load the page again: what is open has changed.",
  "pay.limits": "This sum is not between those that may be paid here. Load the page again.",
  "pay.sum": "The sum has changed since it was shown. Load the page again, and look once more.",
  "pay.link_sums": "The larger sum of a link is not below its smaller one.",
  "sum.no_link":
    "These letters carry a link to the customer's page. Say under Set-up where customers reach this server.",
  "plan.parts": "So many parts are not offered here. Load the page again.",
  "plan.not_late": "Only what is overdue is paid in parts. Load the page again.",
  "plan.ended": "This plan has ended: nothing is taken by it any more.",
  "consent.wanted":
    "This link also asks that what comes is taken by itself. Tick that you agree, or ask for another link.",
  "event.none": "No processor is behind this book: nobody can tell it of anything.",
  "event.signature": "The signature is not that of the processor behind this book, or is too old.",
  "event.form": "The event cannot be read.",
  "told.refused": "A line of {name} was not taken: {why}.",
  "processor.none":
    "No processor is behind this book. Do it where it is kept, and say here what was done.",
  "dispute.elsewhere":
    "The processor behind this book does not know this dispute. Send what we have where it is kept, and say here what was sent.",
  "dispute.late": "The days in which the processor takes an answer are over.",
  "pay.word": "Say who allowed it, and how: it is kept with the payment.",
  "pay.unread": "This could not be read. Load the page again.",
  "pay.not_known":
    "What became of this payment is not known yet. Load the page again in some minutes: nothing is taken twice.",
  "pay.unknown": "There is no such payment.",
  "pay.link_gone": "This link leads nowhere any more.",
  "practice.mailbox":
    "Port {port} cannot be opened for the practice mailbox. Say another with --port.",
  "practice.none": "{book} is no practice book. Make one: dozo practice new --book NAME",
};
