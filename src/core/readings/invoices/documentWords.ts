import { plainWords } from "@/core/formats";

/** What a row of a ledger’s list may be. */
export type DocumentKind = "invoice" | "credit" | "leave";

const KINDS: Readonly<Record<Exclude<DocumentKind, "leave">, string>> = {
  invoice:
    "invoice,inv,in,invoices,sales invoice,tax invoice,rechnung,facture,factura,fattura,factuur,fatura,ar invoice,customer invoice,debit memo,debit note,finance charge,late fee,late charge,standard,accrec,dr,debit",
  credit:
    "credit,cr,credit note,credit memo,creditnote,cm,cn,crn,credit invoice,gutschrift,avoir,nota de credito,abono,nota di credito,creditnota,sales credit note,sales credit memo,sales cr memo,cr memo,credit memorandum,customer credit,accreccredit,rechnungskorrektur",
};
/** What a word of a column of types surely stands for; null where a person is to say. */
export const sureKindOf = (word: string): DocumentKind | null => {
  const plain = plainWords(word);
  if (KINDS.invoice.split(",").includes(plain)) return "invoice";
  return KINDS.credit.split(",").includes(plain) ? "credit" : null;
};

const OPEN =
  "open,o,sent,overdue,past due,unpaid,partially paid,partial,part paid,approved,posted,due,viewed,issued,outstanding,awaiting payment,not paid,offen,uberfallig,teilbezahlt,teilweise bezahlt,ouvert,impayee,a echoir,echue,en retard,partiellement payee,partiellement reglee,pendiente,vencida,abierta,parcialmente pagada,parcialmente cobrada,parcial,scaduta,da pagare,parzialmente pagata,authorised,finalized,final,active,current,late,delivered,emailed,printed,not due";
const VOID =
  "draft,void,voided,cancelled,canceled,deleted,storniert,entwurf,annulee,brouillon,anulada,borrador,rejected,submitted for approval,proforma,pro forma,quote,quotation,estimate,sales order,order confirmation";
/* A letter for closed or for cancelled: nothing is open of either. */
const PAID =
  "paid,closed,c,settled,bezahlt,payee,reglee,pagada,cobrada,pagata,incassata,paid in full,collected,complete,completed";
export const PARTLY =
  /^(?:partially paid|partial|part paid|part payment|partiellement (?:payee|reglee)|teilbezahlt|teilweise bezahlt|parcialmente (?:pagada|cobrada)|parcial$|parzialmente pagata)\b/;
/** How long an invoice is due, or when it will be, as a state. */
const DUE_IN = /^(?:overdue|past due|due) (?:in |by )?(?:\d{1,4} days?|today|tomorrow|yesterday)\b/;

export type Standing = "open" | "void" | "paid";
/** How a document surely stands by a word of a column of states; null where a person is to say. */
export const sureStanding = (word: string): Standing | null => {
  const plain = plainWords(word);
  if (OPEN.split(",").includes(plain) || PARTLY.test(plain) || DUE_IN.test(plain)) return "open";
  if (VOID.split(",").includes(plain)) return "void";
  return PAID.split(",").includes(plain) ? "paid" : null;
};
