/** Failures about invoices and credit notes that are written here, and about orders. */
export const DOCUMENT_MESSAGES: Record<string, string> = {
  "document.unknown": "This document is not there. Load the list again.",
  "document.empty": "A document has at least one line. Write what it is for.",
  "document.number":
    "“{text}” is not a number. Write it like 12.5, with a point before the decimals.",
  "document.places": "“{text}” has more than six decimals, or more than twelve digits before them.",
  "document.large": "This is too large: a sum has at most a million million of its smallest unit.",
  "decimal.unreadable": "“{text}” is not a number. Write it like 12.5; 24.25*3 is worked out.",
  "decimal.places":
    "“{text}” has more than {places} decimals, or more than twelve digits before them.",
  "document.discount": "A discount lies between nothing and all of it. Mend it, or leave it out.",
  "document.negative":
    "The total would be below zero. What a customer gets back is a credit note: write one on its invoice.",
  "document.tax_unknown":
    "There is no tax code “{text}” in this book. Choose one, or say its percent in the order.",
  "document.withholding": "What is withheld lies between 0 and 100 percent.",
  "plan.percent":
    "“{text}”: the parts do not make 100 percent. Write them like 30% now; 40% n/30; rest n/60.",
  "plan.parts": "An invoice is due in {most} parts at most.",
  "plan.due": "Its due days come from its parts. Change the terms, or leave the other due day out.",
  "plan.withheld":
    "What a customer withholds from is due in one part. Leave the withholding out, or the parts.",
  "document.due": "The due day lies before the day of issue. Mend one of the two.",
  "document.cut_over":
    "Up to {day} invoices come over from the ledger before, by a file. Date this one after it.",
  "document.second":
    "{name} wrote this, and somebody else has to approve it: it is over the limit that the book sets.",
  "deposit.unapproved":
    "The deposit that this takes off is not approved yet. Approve it first, or take its line off.",
  "deposit.left":
    "Less is left of the deposit {number} than this takes: some of it is taken off or credited already, or it is another customer’s.",
  "deposit.not_of":
    "{number} is no draft of an invoice: a deposit is asked for before the invoice is approved.",
  "deposit.percent": "“{text}” is no part of it. Write a percent between 0 and 100, like 30.",
  "join.few": "One invoice is made of two drafts or more. Choose them.",
  "join.other":
    "Only drafts of one customer, in one currency and by the same tax rules, become one invoice.",
  "join.deposit": "A deposit stays an invoice of its own. Leave it out.",
  "join.discount":
    "One of these has a discount on all of it. Give it to its lines first, so that it stays theirs.",
  "look.unknown":
    "There is no look “{look}” of papers. Choose one of those under Set-up, or leave it empty.",
  "look.last": "This is the only look there is. Change it instead.",
  "schedule.not_of":
    "{number} does not come again: a credit note, a deposit, and what settles one come once. Leave it out.",
  "look.bank_used": "The look {look} shows these bank details. Choose others for it first.",
  "look.bank_many": "A book keeps at most {most} bank details. Change one of them.",
  "look.many": "A book has at most {most} looks. Change one of them.",
  "look.picture": "The picture is {what}. Give a PNG or JPEG of up to 300 kB.",
  "document.many": "At most {most} documents are put into one file. Choose fewer at a time.",
  "document.sent":
    "{number} went out on {day} already. Send it once more from its own page, if it is wanted.",
  "document.stage": "This document is {stage}; that cannot be done with it any more.",
  "document.written":
    "{number} is approved and does not change any more. Correct it by a credit note.",
  "document.not_written":
    "This invoice came by a file. It is corrected where it was written; take in the credit note from there.",
  "document.line": "{number} has no such line.",
  "document.number_unknown": "There is no invoice or credit note “{number}” that was written here.",
  "credit.other":
    "Only what one customer owes, in one currency, is set off. {number} is another’s.",
  "credit.over": "More would be set off than is open on {number} or left of the credit note.",
  "credit.too_much":
    "With this, more would be taken back of {number} than it came to. Lower the credit note.",
  "tax.category":
    "A tax of {percent} percent cannot be “{category}”: what is taxed has a percent, all else has none.",
  "tax.taken":
    "There is a tax code {tax} already. What was billed under it stays so; give the new one another name.",
  "xml.broken": "This is no XML that can be read: it ends early, or a mark is wrong.",
  "xml.doctype":
    "This XML declares a document type, which could fetch or unfold things. It is refused.",
  "xml.deep": "This XML is nested too deeply to be an invoice.",
  "xml.large": "This XML has too many parts to be an invoice.",
  "ubl.other": "This is no UBL 2.1 invoice or credit note, but “{name}”.",
  "ubl.currency": "{field} is in {text}, and the document in {currency}.",
  "ubl.sums":
    "The sums of this document do not add up ({rule} of EN 16931): it says {stated}, and {found} comes out, in its smallest unit.",
  "order.rows": "The file has more than {most} rows. Give it in parts.",
  "order.lines": "A document has at most {most} lines. Make several of it.",
  "customer.taken": "There is a customer {number} already. Give the new one another number.",
  "customer.number": "This customer’s number is {number}, and files know it by that. It stays.",
  "customer.later":
    "It was changed once more since. Undo the later change first, on the customer’s page.",
  "customer.merge_same": "A customer cannot be made one with itself. Choose another.",
  "customer.merge_group":
    "{name} is its head office. Make its sites one with it from the head office’s page.",
  "tax_number.wrong":
    "“{text}” is no tax number: its form or its check digits are wrong. Look for a slip of two digits.",
  "paper.unknown": "This paper is not there any more. Load the page again.",
  "attachment.type":
    "“{name}” is {what}. Papers are kept as PDF, PNG or JPEG; print it to a PDF, and add that.",
  "attachment.active":
    "“{name}” holds a program (scripts, or a command that is started by opening it). It is not kept; print it to a new PDF.",
  "attachment.large": "“{name}” has {size} MB, and {most} MB is the most. Make it smaller.",
  "attachment.empty": "“{name}” is empty. Choose it once more.",
  "schedule.unknown": "This schedule is not there. Load the list again.",
  "schedule.ended": "This schedule has ended for good. Begin a new one.",
  "schedule.state": "It is not so that this could be done now. Load the page again.",
  "schedule.nothing": "With these days it would never write anything. Mend its start or its end.",
  "schedule.counted": "Periods are counted from a day on or before the start. Mend one of the two.",
  "schedule.until": "The end lies before the start. Mend one of the two.",
  "schedule.days":
    "It has billed already: its start and how often it comes do not change any more. End it, and begin a new one.",
  "document.elsewhere":
    "This draft was changed elsewhere meanwhile, in another window or by somebody else. Load the page again; what stands here is not kept until then.",
  "order.columns":
    "These columns are missing: {columns}. A file of orders has document, customer_id, issued_on, terms, due_on, currency, po_number, item, description, quantity, rate, discount_percent, tax_code, tax_percent.",
  "order.json":
    "This is no JSON of orders: a list of rows, or of documents with their lines, is needed.",
  "order.differs":
    "Row {row} of this document says “{other}”, this one “{text}”. One document has one of it.",
  "order.changed":
    "A document came from the order “{document}” before, with another content. Give the new one another name, or correct the invoice by a credit note.",
  "order.tax_code": "There is a tax percent without a tax code. Say which tax it is.",
  "order.tax_percent": "The tax code {tax} is {percent} percent in this book, and {text} here.",
};
