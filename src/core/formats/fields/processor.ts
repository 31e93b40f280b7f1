import { type FieldSpec, text, typed } from "./spec";

export const processor: readonly FieldSpec[] = [
  text(
    "id",
    "id,transaction id,item id,balance transaction id,balance transaction,reference id,charge id,payment id,activity id,entry id,txn id,trans id,transaction no,transaction number,transaction reference,reference number,transaction,order id,order no,order number,unique id,record id,trace id,vorgangsnummer,transaktionsnummer,transaktions id,zahlungs id,zahlungsnummer,vorgangs id,transaktionscode,numero de transaction,id transaction,payment ref,payment reference,identifiant,id de transaccion,id transaccion,id de operacion,id operacion,numero de operacion",
  ),
  typed(
    "kind",
    "kind",
    "kind,type,category,transaction type,action,activity,entry type,transaction category,event type,record type,txn type,event,entry,trans type,movement,reporting category,typ,art,vorgang,item type,payout item type,line type,tran type,transaktionsart,type de transaction,nature,tipo,tipo de transaccion,tipo de operacion,tipo operacion,type d operation,operation,tipo transazione,soort",
  ),
  typed(
    "day",
    "occurredOn",
    "occurred_on,date,created,created on,transaction date,paid on,charged on,time,date time,transaction time,created at,created date,date created,payment date,processed on,processed,processed at,process date,order date,txn date,trans date,timestamp,posted,posted on,event date,charge date,captured at,captured,captured on,capture date,capture time,date captured,placed,placed at,placed on,paid at,completed at,completed on,sale date,datum,date de transaction,date et heure,fecha,fecha de transaccion,data,buchungstag,date de l operation,date operation,date d operation,initiated,initiated on,date initiated,submit date,submitted on,submitted,trans time,cree le,effectue le,date creation,created utc,posting date,posted date,booking date,booked on,erstellt am,creado,creado el,when,submit date time,submit date,submitted at,activity date,transaction creation date,donation date,transaktionsdatum,batch date,run date,originated,originated on,origination date,charged at,fecha de operacion,fecha operacion,fecha de la operacion,effective entry date,effective entry",
    true,
  ),
  typed(
    "day",
    "settledOn",
    "settled_on,settlement date,settled,available on,value date,settle date,date settled,settlement,settled at,available date,availability date,date available,funding date,valuta,wertstellung,date de valeur,fecha valor,funds available,effective,effective date,settle date time,fecha de liquidacion,fecha liquidacion",
  ),
  typed(
    "currency",
    "currency",
    "currency,ccy,cur,curr,currency code,sale currency,payment currency,charge currency,transaction currency,settlement currency,wahrung,waehrung,devise,moneda,divisa,valuta,cur cd,currency cd",
  ),
  typed(
    "amount",
    "gross",
    "gross,amount,gross amount,amount gross,total,charged,total charged,transaction amount,sale amount,gross sales,payment amount,total collected,charge amount,order total,settle amount,captured amount,amount captured,amount charged,total amount,gross total,sum,value,brutto,bruttobetrag,betrag,montant brut,montant ttc,montant,brut,monto bruto,monto,monto total,valor bruto,importe,importe bruto,bruto,importo,importo lordo,bedrag,amount received,received amount,amount paid,total paid,gross transaction amount,sales,sale,sale price,order amount,umsatz,gross payments,volume,gross volume,gross charges",
  ),
  typed(
    "amount",
    "fee",
    "fee,fees,processing fee,cost,total fee,total fees,transaction fee,transaction fees,processing fees,processor fee,merchant fee,service fee,fee amount,payment fee,charge fee,card fee,sale fee,sales fee,your fee,fee charged,fees charged,fees deducted,fee deducted,deducted fees,deducted fee,total processing fee,fees total,discount fee,commission,charges,provider fee,gebuhr,gebuhren,provision,provision netto,gebuehr,gebuehren,entgelt,entgelte,frais,commission ttc,commissions,commission ht,comision,comisiones,commissione,commissioni,kosten,msc,merchant service charge,merchant service charges,variable fee,fee variable,percentage fee",
  ),
  typed(
    "amount",
    "net",
    "net,net amount,net funded,amount funded,funded amount,net deposited,balance effect,net total,net proceeds,net sales,net settlement,settlement amount,net deposit,amount net,net payout,you receive,settled amount,proceeds,netto,nettobetrag,montant net,monto neto,valor neto,valor liquido,neto,importe neto,importo netto,amount deposited,deposited amount,net to merchant,merchant net,amount after fees,net of fees,net settled,net payable,net paid,deposit amount,deposit amt,transfer total,payout total,net volume",
  ),
  text(
    "method",
    "method,paid by,payment method,instrument,payment type,tender,tender type,gateway,payment gateway,source,payment source,payment method type,card or bank,funding,zahlungsart,mode de paiement,moyen de paiement,metodo de pago,forma de pago,paid via,payment via,paid with,pay method",
  ),
  text(
    "payerName",
    "payer_name,payer,name,party,counterparty,donor,customer name,paid by name,cardholder,account name,payer name,customer,from,billing name,buyer,buyer name,client name,client,shopper,contact,company,company name,paid by,card holder,cardholder name,kunde,kundenname,absender,individual name,receiver name,receiving name,individual,receiver,member name,payer company,customer company,billing company,nom du client,client nom,cliente,nombre,pagador,payor,customer nm,student,student name,guest,guest name,tenant,tenant name,patient,patient name,resident,klant,klantnaam,betaler,attendee,member,member full name,subscriber,household,family",
  ),
  text(
    "payerEmail",
    "payer_email,email,customer email,payer mail,payer email,from email address,from email,e mail,buyer email,billing email,receipt email,client email,customer mail,courriel,correo",
  ),
  text(
    "reference",
    "reference,memo,description,note,details,message,invoice number,invoice,statement descriptor,order reference,merchant reference,customer reference,item title,subject,comment,remarks,verwendungszweck,betreff,beschreibung,libelle,concepto,descripcion,invoice id,invoice no,referencia,omschrijving,mededeling,mededelingen,factuur,factuurnummer,rechnung,rechnungsnummer,facture,descrizione,causale,fattura,factura,payment reference,payment ref,transaction reference,transaction",
  ),
  text(
    "payoutId",
    "payout_id,payout,automatic payout id,transfer id,batch,deposit id,settlement id,transfer,batch id,batch number,batch no,payout reference,settlement batch,settlement batch id,settlement number,deposit reference,settlement reference,auszahlung,auszahlungs id,virement,id virement,numero remise,no remise,remise,funding id,disbursement id,funding batch,liquidacion,transfer reference,transfer ref,transfer number,transfer no,deposit number,deposit no,disbursement,disbursement reference,disbursement number,payout number,payout no,payout ref,funding reference,funding number,deposit",
  ),
  typed(
    "day",
    "payoutOn",
    "payout_on,payout date,automatic payout effective at,paid out on,deposit date,transfer date,payout day,paid out,deposited on,deposited,settlement paid on,auszahlungsdatum,date de virement,arrival date,arrives on,arrived on,arrival,expected arrival,expected arrival date,date deposited,date paid out,disbursed on,disbursement date",
  ),
  typed("day", "spanFrom", "span_from,period from,from,covers from"),
  typed("day", "spanTo", "span_to,period to,to,covers to"),
  text(
    "returnCode",
    "return_code,return code,reason code,return reason code,reason,failure code,reject code,dispute reason",
  ),
  typed("day", "answerBy", "answer_by,answer by,respond by,response due,evidence due"),
  text("brand", "brand,card brand,card type,card network,scheme,card scheme,network"),
  text("abroad", "abroad,foreign,international,foreign card"),
  text(
    "relatedId",
    "related_id,original id,charge,charge id,parent id,source id,for charge,parent transaction,parent transaction id,original transaction,original transaction id,reference txn id,linked transaction,related transaction,source transaction,original charge,original reference,charge id ref,refers to,payment id ref",
  ),
  text(
    "status",
    "status,state,transaction status,payment status,financial status,result,outcome,response,statut,etat,etat du paiement,zustand,estado,stato",
  ),
  typed(
    "amount",
    "fee2",
    "fixed fee,fee fixed,fixed fees,second fee,other fee,other fees,additional fee,additional fees,application fee,interchange,interchange fee,gateway fee,per item fee,assessment,assessments",
  ),
  typed(
    "amount",
    "feeTax",
    "tax on fee,tax on fees,fee tax,taxes on fee,vat on fee,gst on fee,fee vat,fee gst,mwst auf gebuhr,provision ust,provision mwst,ust auf gebuhr,tva sur frais,iva de la comision,iva comision,iva sobre comision,tva sur commission,tva commission,tva sur les commissions",
  ),
  // What was paid beside the sum of a line: no head says so, as a tip may be within it.
  typed("amount", "onTop", "on_top,paid on top"),
  typed(
    "amount",
    "refunded",
    "amount refunded,refunded amount,refunded,refund amount,refund total,total refunded,refunds,returns",
  ),
  typed(
    "amount",
    "moneyIn",
    "money in,credit,credits,paid in,amount in,credit amount,haben,haber,in,deposits",
  ),
  typed(
    "amount",
    "moneyOut",
    "money out,debit,debits,amount out,debit amount,soll,debe,out,paid out,withdrawals,withdrawal",
  ),
  typed(
    "amount",
    "balance",
    "balance,running,running balance,balance after,account balance,ending balance,running total,saldo,guthaben,solde",
  ),
];
