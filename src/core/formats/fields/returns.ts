import { type FieldSpec, text, typed } from "./spec";

export const returns: readonly FieldSpec[] = [
  text("record", "record,record type"),
  text("code", "code,return code,reason code,change code,reason,return reason", true),
  text(
    "originalTrace",
    "original_trace,original trace number,original trace,trace of the debit",
    true,
  ),
  text("trace", "trace,trace number,return trace"),
  typed("day", "on", "date,returned on,return date,settlement date,effective,effective date", true),
  typed("amount", "amount", "amount,sum"),
  text("name", "name,payer,customer,individual,individual name,receiver"),
  text("account", "account,account ending,last four"),
  text("correction", "correction,corrected data"),
  typed("currency", "currency", "currency,ccy,cur"),
];
