/** What the fields of files are called where a clerk says which column holds them. */
export const FIELD_WORDS: Readonly<Record<string, string>> = {
  externalId: "customer number", name: "name", email: "e-mail", phone: "telephone", parentId: "head office", aliases: "also goes by", number: "invoice number", customerId: "customer number", issuedOn: "issued on", dueOn: "due on", currency: "currency", total: "total",
  balance: "open balance", tax: "tax", poNumber: "PO number", terms: "terms", description: "description", id: "its id", kind: "kind of row", occurredOn: "date", settledOn: "settled on", gross: "gross", fee: "fee", net: "net", method: "paid by",
  payerName: "payer", payerEmail: "payer’s e-mail", reference: "memo", payoutId: "payout", payoutOn: "paid out on", spanFrom: "payout covers from", spanTo: "payout covers to", relatedId: "original charge", returnCode: "return code", answerBy: "answer by", brand: "card brand", abroad: "card from abroad",
  postedOn: "date", amount: "amount, in positive", moneyIn: "money in", moneyOut: "money out", trace: "trace number", paidOn: "paid on", discount: "discount taken", record: "kind of record", code: "return code", originalTrace: "trace number of the debit", on: "date", account: "account, last four digits", correction: "what is right",
};
