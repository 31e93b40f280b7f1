import { type FieldSpec, text, typed } from "./spec";

export const remittance: readonly FieldSpec[] = [
  text(
    "trace",
    "trace,trace number,payment reference,payment number,payment id,check number,eft number,remittance id,transaction id,reference,payment no,payment ref,remittance number,advice number,check no,ach trace,eft trace,check eft number,eft check number,check eft no,eft check no,check eft,check,cheque,cheque number,cheque no,zahlungsbeleg,zahlungsreferenz,zahlungsnummer,reference de paiement,referencia de pago,numero de pago,betalingskenmerk,payment doc,payment document,payment",
  ),
  typed(
    "day",
    "paidOn",
    "paid_on,payment date,payment dt,pay dt,check dt,paid on,pay date,date paid,date,remittance date,value date,check date,cheque date,settlement date,effective date,zahlungsdatum,zahldatum,zahlung am,date de paiement,date paiement,fecha de pago,fecha pago,data pagamento,data di pagamento,betaaldatum,betalingsdatum,eft date,clearing date,remit date,remitted on",
    true,
  ),
  text(
    "payerName",
    "payer_name,payer,from,company,payer name,customer,customer name,vendor paid by,paid by,sender,originator,payor,remitter,absender,zahler,auftraggeber,payer company,paying company,emetteur,donneur d ordre",
  ),
  typed(
    "amount",
    "total",
    "total,payment amount,payment amt,check amt,eft amt,payment total,amount of payment,total payment,check amount,cheque amount,total paid,eft amount,remittance total",
  ),
  text(
    "number",
    "invoice_number,invoice,invoice no,invoice number,your invoice,your reference,your ref,your document,invoice reference,ihre referenz,ihre rechnung,rechnungsnummer,votre reference,su referencia,document,invoice num,inv no,inv number,doc,document number,document no,bill number,supplier invoice,vendor invoice,vendor inv,vendor inv no,vendor inv number,supplier inv,supplier inv no,vendor invoice no,vendor invoice number,supplier invoice no,supplier invoice number,reference number,doc no,invoices,invoices paid,invoice numbers,invoice nos,belegnummer lieferant,rechnung,facture,factura,fattura,belegnummer,belegnr,beleg,reference,ref,your doc,your document no,your invoice no,your number,bill ref,bill reference,for invoice,invoice ref,paid invoice",
    true,
  ),
  typed(
    "amount",
    "amount",
    "amount,amount paid,paid,paid this time,net,paid amount,paid amt,amt paid,net amount,net paid,net remitted,payment,invoice paid,amount applied,netto,nettobetrag,zahlbetrag,betrag,montant,importe,importo,paid now,remit amt,remit amount,remitted,amount remitted,remitted amount,this payment,payment this time",
    true,
  ),
  typed(
    "amount",
    "discount",
    "discount,discount taken,deduction,discount amount,less discount,disc,cash discount,discounts,skonto,skontobetrag,escompte,descuento,sconto",
  ),
  typed("currency", "currency", "currency,ccy,cur,wahrung,waehrung,devise,moneda,divisa,valuta"),
];
