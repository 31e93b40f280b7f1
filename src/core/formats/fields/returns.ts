import { type FieldSpec, text, typed } from "./spec";

export const returns: readonly FieldSpec[] = [
  text("record", "record,record type"),
  text(
    "code",
    "code,return code,reason code,change code,return reason code,reject code,return type code,ach return code,nacha code,noc code,r code,return reason,reason",
    true,
  ),
  text(
    "originalTrace",
    "original_trace,original trace number,original trace,trace of the debit,orig trace number,orig trace,orig trace no,original trace no,original entry trace number,original entry trace,original ach trace,original trace id",
    true,
  ),
  text("trace", "trace,trace number,return trace,return trace number,trace no,trace id"),
  typed(
    "day",
    "on",
    "date,returned on,return date,date returned,returned date,returned,returned item date,return item date,date of return,return settlement date,return effective date,processed date,process date,processing date,posted date,posting date,post date,settled on,received date,date received,settlement date,effective,effective date",
    true,
  ),
  typed(
    "amount",
    "amount",
    "amount,sum,return amount,returned amount,amount returned,entry amount,transaction amount,item amount,original amount",
  ),
  text(
    "name",
    "name,payer,customer,individual,individual name,receiver,receiver name,receiving name,payer name,customer name,account name,account holder,payor,client,client name",
  ),
  text(
    "account",
    "account,account ending,last four,account number,account no,dfi account number,account last 4,last 4,account suffix",
  ),
  text(
    "correction",
    "correction,corrected data,corrected account,corrected information,correction data,change data,addenda information,addenda",
  ),
  typed("currency", "currency", "currency,ccy,cur"),
];
