import { type DayOrder } from "@/core/calendar";
import { type DecimalMark } from "@/core/money";

import { type RowKind } from "../activity";

type FileKindTraits = {
  label: string;
  /** The account that a file of the kind belongs to; null where it belongs to the book. */
  account: "processor" | "bank" | null;
  /** Whether its sums may be in any currency that the book has a rate for. */
  anyRate: boolean;
};

/** What a file can be of. */
export const FILE_KIND_TRAITS = {
  customers: { label: "Customers", account: null, anyRate: false },
  invoices: { label: "Open invoices", account: null, anyRate: true },
  processor: { label: "Processor activity", account: "processor", anyRate: false },
  bank: { label: "Bank statement", account: "bank", anyRate: false },
  remittance: { label: "Remittance advice", account: null, anyRate: true },
  returns: { label: "ACH returns", account: null, anyRate: true },
} as const satisfies Record<string, FileKindTraits>;

export type FileKind = keyof typeof FILE_KIND_TRAITS;
export const FILE_KINDS = Object.keys(FILE_KIND_TRAITS) as [FileKind, ...FileKind[]];

/** How a file's columns and signs are to be understood; kept by name, made once. */
export type MappingSpec = {
  kind: FileKind;
  /** Field to the header of its column. */
  columns: Record<string, string>;
  dayOrder: DayOrder;
  decimalMark: DecimalMark;
  /** Whether a person said so; else it is asked where the file leaves it open. */
  markSaid?: boolean | undefined;
  /** The kind of row for each word in the kind column, lower case. */
  rowKinds: Record<string, RowKind>;
  /**
   * as_written: signs say the effect on the processor's balance; by_kind: refunds, fees and the
   * like are written positive.
   */
  signs: "as_written" | "by_kind";
  /** Payout rows are negative in some files (money leaving the processor): then their sign is turned. */
  payoutSign: "as_written" | "turned";
  /** The fee of a row as a cost (positive lowers the net) or as its effect (negative lowers it). */
  feeSign: "cost" | "effect";
};

export type FieldSpec = {
  readonly field: string;
  readonly needed: boolean;
  readonly type: "text" | "day" | "amount" | "kind" | "currency";
  readonly names: readonly string[];
};

const text = (field: string, names: string, needed = false): FieldSpec => ({
  field,
  needed,
  type: "text",
  names: names.split(","),
});
const typed = (
  type: FieldSpec["type"],
  field: string,
  names: string,
  needed = false,
): FieldSpec => ({ field, needed, type, names: names.split(",") });

/**
 * The fields of each kind of file, with names their columns go by in plain use. The first name is
 * the file layout that was agreed.
 */
export const FIELDS: Record<FileKind, readonly FieldSpec[]> = {
  customers: [
    text(
      "externalId",
      "customer_id,id,customer number,customer no,account number,account no,code,customer code",
      true,
    ),
    text("name", "name,customer name,customer,company,business name", true),
    text("email", "email,e mail,email address,mail"),
    text("phone", "phone,telephone,phone number,tel"),
    text("parentId", "parent_id,parent,head office,parent customer,bill to,group"),
    text("aliases", "aliases,other names,also known as,trade names,doing business as,dba"),
  ],
  invoices: [
    text(
      "number",
      "invoice_number,number,invoice no,invoice,invoice number,document number,doc no,inv no",
      true,
    ),
    text(
      "customerId",
      "customer_id,customer number,customer no,customer,account number,customer code,account no",
      true,
    ),
    typed("day", "issuedOn", "issued_on,invoice date,date,issue date,issued,document date", true),
    typed("day", "dueOn", "due_on,due date,due"),
    typed("currency", "currency", "currency,ccy,cur"),
    typed("amount", "total", "total,amount,invoice total,gross,invoice amount", true),
    typed("amount", "balance", "balance,open,open balance,amount due,outstanding,open amount"),
    typed("amount", "tax", "tax,sales tax,tax amount,vat"),
    text("poNumber", "po_number,po,purchase order,po no,order number"),
    text("terms", "terms,payment terms"),
    text("description", "description,memo,for,details,text"),
  ],
  processor: [
    text("id", "id,transaction id,item id,reference id,charge id,payment id,activity id,entry id"),
    typed("kind", "kind", "kind,type,category,transaction type,activity,entry type"),
    typed(
      "day",
      "occurredOn",
      "occurred_on,date,created,created on,transaction date,paid on,charged on,time",
      true,
    ),
    typed("day", "settledOn", "settled_on,settlement date,settled,available on,value date"),
    typed("currency", "currency", "currency,ccy,cur"),
    typed("amount", "gross", "gross,amount,gross amount,total,charged"),
    typed("amount", "fee", "fee,fees,processing fee,cost"),
    typed("amount", "net", "net,net amount,balance effect"),
    text("method", "method,paid by,payment method,instrument"),
    text("payerName", "payer_name,payer,name,customer name,paid by name,cardholder,account name"),
    text("payerEmail", "payer_email,email,customer email,payer mail"),
    text("reference", "reference,memo,description,note,details,message"),
    text("payoutId", "payout_id,payout,transfer id,batch,deposit id,settlement id"),
    typed("day", "payoutOn", "payout_on,payout date,paid out on,deposit date"),
    typed("day", "spanFrom", "span_from,period from,from,covers from"),
    typed("day", "spanTo", "span_to,period to,to,covers to"),
    text("returnCode", "return_code,return code,reason code,return reason code"),
    typed("day", "answerBy", "answer_by,answer by,respond by,response due,evidence due"),
    text("brand", "brand,card brand,card type,card network"),
    text("abroad", "abroad,foreign,international,foreign card"),
    text("relatedId", "related_id,original id,charge,parent id,source id,for charge"),
  ],
  bank: [
    text("id", "id,transaction id,bank reference,bank id,line id"),
    typed(
      "day",
      "postedOn",
      "posted_on,date,posting date,booked on,value date,transaction date",
      true,
    ),
    typed("amount", "amount", "amount,sum,value"),
    typed("amount", "moneyIn", "money in,credit,deposits,deposit,paid in,credits"),
    typed("amount", "moneyOut", "money out,debit,withdrawals,withdrawal,paid out,debits"),
    typed("currency", "currency", "currency,ccy,cur"),
    text("description", "description,details,memo,text,narrative,particulars", true),
    typed("amount", "balance", "balance,running balance,balance after,closing balance"),
  ],
  remittance: [
    text(
      "trace",
      "trace,trace number,payment reference,payment number,payment id,check number,eft number",
    ),
    typed("day", "paidOn", "paid_on,payment date,paid on", true),
    text("payerName", "payer_name,payer,from,company"),
    typed("amount", "total", "total,payment amount,payment total,amount of payment"),
    text("number", "invoice_number,invoice,invoice no,invoice number,document", true),
    typed("amount", "amount", "amount,amount paid,paid,net", true),
    typed("amount", "discount", "discount,discount taken,deduction"),
    typed("currency", "currency", "currency,ccy,cur"),
  ],
  returns: [
    text("record", "record,record type"),
    text("code", "code,return code,reason code,change code", true),
    text(
      "originalTrace",
      "original_trace,original trace number,original trace,trace of the debit",
      true,
    ),
    text("trace", "trace,trace number,return trace"),
    typed("day", "on", "date,returned on,return date,settlement date", true),
    typed("amount", "amount", "amount,sum"),
    text("name", "name,payer,customer"),
    text("account", "account,account ending,last four"),
    text("correction", "correction,corrected data"),
    typed("currency", "currency", "currency,ccy,cur"),
  ],
};
