import {
  MOST_IN_CELL,
  add,
  addBankingDays,
  addDays,
  currencyOf,
  daysBetween,
  dueDay,
  emailAddresses,
  maskedNumbers,
  minor,
  minorDigits,
  negate,
  numbersWrittenOver,
  parseAmount,
  parseDay,
  parseTerms,
  sumOf,
  textProblem,
  toDecimal,
  writtenOver
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/core/formats/mapping.ts
var FILE_KIND_TRAITS = {
  customers: { label: "Customers", account: null, anyRate: false },
  invoices: { label: "Open invoices", account: null, anyRate: true },
  processor: { label: "Processor activity", account: "processor", anyRate: false },
  bank: { label: "Bank statement", account: "bank", anyRate: false },
  remittance: { label: "Remittance advice", account: null, anyRate: true },
  returns: { label: "ACH returns", account: null, anyRate: true }
};
var FILE_KINDS = Object.keys(FILE_KIND_TRAITS);

// src/core/formats/harmless.ts
var DECIMAL = /^-?\d{1,13}(\.\d+)?$/;
function harmless(cell) {
  return /^[=@\t\r]/.test(cell) || /^[+-]/.test(cell) && !DECIMAL.test(cell) ? `'${cell}` : cell;
}

// src/core/formats/fields/spec.ts
var text = (field, names, needed2 = false) => ({
  field,
  needed: needed2,
  type: "text",
  names: names.split(",")
});
var typed = (type, field, names, needed2 = false) => ({ field, needed: needed2, type, names: names.split(",") });

// src/core/formats/fields/bank.ts
var bank = [
  text(
    "id",
    "id,transaction id,bank reference,bank id,line id,bank ref,ref no,transaction no,transaction number,transaction reference,fitid,unique id,entry reference"
  ),
  typed(
    "day",
    "postedOn",
    "posted_on,date,posting date,booked on,transaction posted date,booking date,post date,date posted,posted date,posted,booked,transaction date,booked date,buchungstag,buchungsdatum,buchung,datum,date operation,date de comptabilisation,date comptable,date d operation,fecha,fecha operacion,fecha de operacion,fecha contable,data,data contabile,data operazione,completed date,date completed,boekdatum,transactiedatum,data mov,dato,bokforingsdag,bokforingsdatum,bokf\xF8ringsdato,transaktionsdag,transaksjonsdato,data ksiegowania,data ksi\u0119gowania,data operacji,data transakcji,timestamp,date time,datetime,entry date,effective date,trans date,eff date,as of date,as of,run date,posted transactions date,transactions date,activity date,txn date,effective,date du jour,buchung datum,book date,processed,booking,booking day,value date,val date,valutadatum,day,data lancamento,data do lancamento",
    true
  ),
  typed(
    "amount",
    "amount",
    "amount,sum,value,transaction amount,betrag,umsatz,montant,importe,importo,bedrag,valor,amount usd,net amount,transaktionsbetrag,belopp,bel\xF8b,bel\xF8p,kwota,kwota operacji,summa"
  ),
  typed(
    "amount",
    "moneyIn",
    "money in,credit,deposits,deposit,paid in,credits,credit amount,amount credit,cr,credit cr,receipts,additions,amount in,received,haben,gutschrift,credit eur,credits usd,abono,abonos,haber,ingreso,ingresos,avere,entrate,bij,credito,creditos,einzahlung,einzahlungen,recettes,inflow,in,incoming,credited,deposited,amount received,c,amount cr,cr amount,insattning,ins\xE4ttning,indbetaling,inn,ind,innskudd,uznania,wplywy,wp\u0142ywy"
  ),
  typed(
    "amount",
    "moneyOut",
    "money out,debit,withdrawals,withdrawal,paid out,debits,debit amount,amount debit,dr,debit dr,payments,subtractions,amount out,spent,soll,lastschrift,belastung,cargo,cargos,debe,gasto,gastos,dare,uscite,af,debito,debitos,auszahlung,auszahlungen,depenses,outflow,out,outgoing,debited,withdrawn,amount sent,d,amount dr,dr amount,uttag,udbetaling,ut,ud,obciazenia,obci\u0105\u017Cenia,wydatki"
  ),
  typed(
    "currency",
    "currency",
    "currency,ccy,cur,currency code,account currency,wahrung,waehrung,whg,devise,moneda,divisa,valuta,munt,moeda"
  ),
  text(
    "description",
    "description,original description,full description,descrizione completa,details,memo,text,narrative,particulars,transaction description,transaction details,transaction,reference,message,additional information,verwendungszweck,buchungstext,beschreibung,libelle,libelle operation,detail,operation,concepto,descripcion,descrizione,causale,omschrijving,mededelingen,descricao,historico,remittance information,remittance info,remit info,remittance text,booking text,payment details,transaction narrative,narration,obi,originator to beneficiary information,remarks,comment,notes,transaction text,purpose,zweck,tekst,beskrivning,beskrivelse,transaktion,transaksjon,forklaring,buchungsdetails,umsatzdetails,zahlungsgrund,opis,opis operacji,avisierungstext,rubrik,lancamento,transaction remarks,transaction particulars,particular,remark,tytul,tytu\u0142,tytul operacji,what",
    true
  ),
  text(
    "payerName",
    "payer,payer name,payee,name,party,counterparty,originator,beneficiary,sender,auftraggeber begunstigter,auftraggeber empfanger,begunstigter zahlungspflichtiger,zahlungspflichtiger,empfanger,beguenstigter zahlungspflichtiger,auftraggeber beguenstigter,auftraggeber empfaenger,empfaenger,nom,donneur d ordre,tiers,ordenante,beneficiario,ordinante,naam tegenpartij,naam omschrijving,tegenpartij,merchant,merchant name,payee payer,payer payee"
  ),
  typed(
    "amount",
    "balance",
    "balance,running balance,current balance,balance after,closing balance,balance usd,available balance,ledger balance,account balance,closing bal,running bal,running total,saldo,saldos,kontostand,solde,saldo disponible,saldo contabile,saldo na mutatie,running,saldo po operacji,bokfort saldo,bogf\xF8rt saldo,ending balance,saldo contabilistico,posted balance,daily posted balance,daily balance,day end balance,end of day balance"
  ),
  text(
    "direction",
    "direction,debit credit,credit debit,dr cr,cr dr,d c,c d,dc,cd,debit or credit,credit or debit,debit credit indicator,cdt dbt ind,sign,indicator,soll haben,s h,sh,af bij,sens,type,transaction type,kind,tipo,entry type,typ,art"
  ),
  text(
    "account",
    "account,account number,account no,account id,account name,account ending,own account,auftragskonto,iban auftragskonto,konto,eigenes konto,compte,numero de compte,cuenta,numero de cuenta,conto,numero conto,rekening,rekeningnummer,conta"
  ),
  text("status", "status,state,transaction status,posting status,statut,etat,estado,stato")
];

// src/core/formats/fields/customers.ts
var customers = [
  text(
    "externalId",
    "customer_id,id,kd number,customer number,customer no,account number,account no,code,customer code,customer ref,customer reference,client id,client number,client no,client code,cust no,cust id,customer num,account code,account id,acct no,kundennummer,kunden nr,kundennr,no,nr,debitor,debitorennummer,debiteur,debiteurnummer,debiteurnr,numero client,code client,no client,codigo cliente,numero de cliente,id cliente,codice cliente,klantnummer,contact id,account",
    true
  ),
  text(
    "name",
    "name,customer name,display name,customer,company,legal name,trading name,business name,full name,account name,client name,client,organisation,organization,company name,contact name,kunde,kundenname,firma,nom,nom du client,raison sociale,client nom,nombre,cliente,razon social,ragione sociale,naam,klant,nome,registered name,entity name,entity,party name,member name,account holder,organization name,organisation name,school,school name",
    true
  ),
  text(
    "email",
    "email,e mail,email address,mail,e mail address,main email,billing email,contact email,billing contact email,accounts payable email,ap email,primary email,courriel,adresse email,correo,correo electronico,mailadresse,posta elettronica,e mail adresse,contact e mail,contact mail"
  ),
  text(
    "phone",
    "phone,telephone,phone number,tel,main phone,mobile,phone no,telephone number,telefon,telefono,telefoon"
  ),
  text(
    "parentId",
    "parent_id,parent,head office,parent customer,parent account,parent id,parent customer id,head office id,head office ref,head office reference,head office no,head office number,head office code,parent ref,parent reference,parent code,parent no,bill to id,bill to customer,bill to customer number,bill to number,bill to account,parent customer number,parent number,sub customer of,konzern,konzernmutter,mutter,hauptniederlassung,zentrale,konzernzentrale,hoofdkantoor,sede central,siege,maison mere,casa madre,matriz,belongs to,bill to,group"
  ),
  text(
    "aliases",
    "aliases,other names,also known as,trade names,doing business as,dba,trading name,trading as,trade name"
  )
];

// src/core/formats/fields/invoices.ts
var invoices = [
  text(
    "number",
    "invoice_number,number,invoice no,invoice,invoice number,document number,doc no,inv no,num,no,invoice num,inv number,document no,document,doc number,reference number,ref no,invoice id,rechnungsnummer,rechnung,rechnungsnr,rechnungs nr,belegnummer,belegnr,beleg,numero de facture,facture,no facture,n facture,piece,numero de factura,factura,numero factura,n factura,fattura,numero fattura,factuurnummer,factuur,fatura,transaction number,txn number,doc,inv,numero documento,numero del documento,n\xBA factura,n\xBA de factura,reference,customer invoice,customer and invoice,customer document,name invoice,our ref,our reference,numero,nummer,factuurnr,factuur nr,fakturanummer,fakturanr,faktura,numer faktury,numer",
    true
  ),
  text(
    "customerId",
    "customer_id,customer number,customer no,customer,account number,customer code,account no,customer ref,customer id,client id,client,client number,client name,customer name,cust no,cust id,account code,account id,account,acct no,kundennummer,kunde,kunden nr,debitor,kundenname,numero client,code client,nom du client,codigo cliente,cliente,codice cliente,klantnummer,klant,billing name,name,bill to,sold to,contact,contact name,company,customer full name,full name,display name,company name,client full name,bill to name,sold to name,kunde name,partner,party,debtor,debtor name,debiteur,debiteurnaam,klantnaam,naam,nom client,raison sociale,nome cliente,razon social,destinatario,kontrahent,nabywca,kundnamn,kundenavn,customer name and number,ragione sociale,denominazione,card code,card name,partner name,invoice partner display name,member",
    true
  ),
  text("customerName", "customer_name"),
  typed(
    "day",
    "issuedOn",
    "issued_on,invoice date,date,issue date,issued,created at,document date,posting date,bill date,billed on,doc date,inv date,date issued,date of issue,created,created on,transaction date,txn date,rechnungsdatum,datum,belegdatum,date de facture,date facture,emise le,emis le,date d emission,fecha,fecha factura,fecha de factura,fecha de emision,fecha expedicion,fecha de expedicion,data,data fattura,factuurdatum,data documento,invoice bill date,dato,fakturadato,fakturadatum,posted,posted on,date posted,posted date,booked,booked on,entry date,raised,raised on,date raised,invoiced,invoiced on,inv dt,ordered,ordered on,order date,emision,emission,emissione,ausgestellt am",
    true
  ),
  typed(
    "day",
    "dueOn",
    "due_on,due date,due,net due date,date due,payment due,payment due date,pay by,falligkeit,faelligkeit,faellig am,faelligkeitsdatum,faellig,fallig am,falligkeitsdatum,fallig,echeance,date d echeance,date echeance,vencimiento,fecha de vencimiento,fecha vencimiento,scadenza,data scadenza,vervaldatum,vencimento,fecha vto,doc due date,maturity,maturity date,forfald,forfaldsdato,forfallsdato,forfallodatum"
  ),
  typed(
    "currency",
    "currency",
    "currency,ccy,cur,curr,currency code,invoice currency,doc cur,wahrung,waehrung,devise,moneda,divisa,valuta,moeda"
  ),
  typed(
    "amount",
    "total",
    "total,amount,invoice total,gross,invoice amount,grand total,original amount,orig amount,original total,document total,document amount,inv amount,invoice value,amount total,total amount,total incl tax,total inc tax,gross total,gross amount,amount gross,total gross,invoice amount gross,betrag brutto,rechnungsbetrag brutto,gesamtbetrag brutto,bruttobetrag,brutto,rechnungsbetrag,betrag,gesamtbetrag,summe,montant ttc,total ttc,montant,importe,importe total,bel\xF8b,belopp,importo,totale,bedrag,totaal,valor,original,invoice amount total,total incl vat,total including vat,total incl gst,total inc vat,total inc gst,total with tax,amount incl tax,amount incl vat,total amount incl tax,face amount,ttc,amount in doc currency,amt lc,amount lc,amt in lc,amt dc,amount dc,amount in dc,doc amount,doc amt,amount doc curr,amount doc currency,amount in document currency,amount in doc curr,amount in local currency,amount in local curr,amount in lc,amount in lcy,amount in loc curr,amount billed,billed amount,work billed,total billed,amount invoiced,invoiced amount,montant total,total facture,total amount due,totale documento,importo totale,total factura,importe factura,foreign amount,billed,invoiced,doc total,total signed,value,line total,charged",
    true
  ),
  typed(
    "amount",
    "balance",
    "balance,open,open balance,amount due,outstanding,balance due now,due now,amount due now,open amount,balance due,remaining,remaining balance,amount open,still open,unpaid,unpaid balance,outstanding amount,outstanding balance,amount outstanding,open bal,current balance,restbel\xF8b,restbelopp,restbetrag,offener betrag,offen,reste a payer,solde,solde du,saldo,saldo pendiente,pendiente,residuo,openstaand,openstaand bedrag,saldo aberto,balance outstanding,invoice amount due,invoice balance,net due,due amount,amount remaining,remaining amount,amount unpaid,amount still due,total due,total outstanding,reste du,residual,amount residual,balance amount,amount still open,to pay,amount to pay,amount due signed,unallocated,o s,o s balance,o s amount,due"
  ),
  typed(
    "amount",
    "tax",
    "tax,sales tax,tax amount,vat,tax total,total tax,vat amount,gst,hst,taxes,mwst,ust,umsatzsteuer,tva,iva,btw"
  ),
  text(
    "poNumber",
    "po_number,po,purchase order,po no,order number,p o number,p o no,po num,customer po,customer order,customer reference,purchase order number,order no,bestellnummer,bon de commande,pedido"
  ),
  text(
    "terms",
    "terms,payment terms,term,payment term,zahlungsbedingungen,zahlungsziel,zahlungsbedingung,conditions,condiciones"
  ),
  text(
    "description",
    "description,memo,for,details,text,memo description,item,subject,notes,verwendungszweck,libelle,descripcion,concepto,descrizione,omschrijving"
  ),
  text(
    "type",
    "type,document type,transaction type,doc type,kind,record type,txn type,belegart,art,type de piece,tipo,tipo de documento,move type"
  ),
  text(
    "status",
    "status,state,invoice status,payment status,financial status,document status,statut,etat,estado,estado cobro,estado de cobro,stato"
  ),
  typed(
    "amount",
    "paid",
    "paid,amount paid,paid amount,payments,paid to date,payments received,total paid,payments applied,received,bezahlt,gezahlt,deja paye,regle,paye,pagado,cobrado,pagato,betaald,invoice amount paid,amount received,total received,amount collected,applied,amount applied,payments credits,acconti,acconto"
  ),
  typed("amount", "debit", "debit,debits,debit amount,charges,charge,soll,debe,dare"),
  typed("amount", "credit", "credit,haben,haber,avere"),
  typed(
    "amount",
    "credited",
    "credits,credit applied,credits applied,credited,credit amount,amount credited"
  )
];

// src/core/formats/fields/processor.ts
var processor = [
  text(
    "id",
    "id,transaction id,item id,balance transaction id,balance transaction,reference id,charge id,payment id,activity id,entry id,txn id,trans id,transaction no,transaction number,transaction reference,reference number,transaction,order id,order no,order number,unique id,record id,trace id,vorgangsnummer,transaktionsnummer,transaktions id,zahlungs id,zahlungsnummer,vorgangs id,transaktionscode,numero de transaction,id transaction,payment ref,payment reference,identifiant,id de transaccion,id transaccion,id de operacion,id operacion,numero de operacion"
  ),
  typed(
    "kind",
    "kind",
    "kind,type,category,transaction type,action,activity,entry type,transaction category,event type,record type,txn type,event,entry,trans type,movement,reporting category,typ,art,vorgang,item type,payout item type,line type,tran type,transaktionsart,type de transaction,nature,tipo,tipo de transaccion,tipo de operacion,tipo operacion,type d operation,operation,tipo transazione,soort"
  ),
  typed(
    "day",
    "occurredOn",
    "occurred_on,date,created,created on,transaction date,paid on,charged on,time,date time,transaction time,created at,created date,date created,payment date,processed on,processed,processed at,process date,order date,txn date,trans date,timestamp,posted,posted on,event date,charge date,captured at,captured,captured on,capture date,capture time,date captured,placed,placed at,placed on,paid at,completed at,completed on,sale date,datum,date de transaction,date et heure,fecha,fecha de transaccion,data,buchungstag,date de l operation,date operation,date d operation,initiated,initiated on,date initiated,submit date,submitted on,submitted,trans time,cree le,effectue le,date creation,created utc,posting date,posted date,booking date,booked on,erstellt am,creado,creado el,when,submit date time,submit date,submitted at,activity date,transaction creation date,donation date,transaktionsdatum,batch date,run date,originated,originated on,origination date,charged at,fecha de operacion,fecha operacion,fecha de la operacion,effective entry date,effective entry",
    true
  ),
  typed(
    "day",
    "settledOn",
    "settled_on,settlement date,settled,available on,value date,settle date,date settled,settlement,settled at,available date,availability date,date available,funding date,valuta,wertstellung,date de valeur,fecha valor,funds available,effective,effective date,settle date time,fecha de liquidacion,fecha liquidacion"
  ),
  typed(
    "currency",
    "currency",
    "currency,ccy,cur,curr,currency code,sale currency,payment currency,charge currency,transaction currency,settlement currency,wahrung,waehrung,devise,moneda,divisa,valuta,cur cd,currency cd"
  ),
  typed(
    "amount",
    "gross",
    "gross,amount,gross amount,amount gross,total,charged,total charged,transaction amount,sale amount,gross sales,payment amount,total collected,charge amount,order total,settle amount,captured amount,amount captured,amount charged,total amount,gross total,sum,value,brutto,bruttobetrag,betrag,montant brut,montant ttc,montant,brut,monto bruto,monto,monto total,valor bruto,importe,importe bruto,bruto,importo,importo lordo,bedrag,amount received,received amount,amount paid,total paid,gross transaction amount,sales,sale,sale price,order amount,umsatz,gross payments,volume,gross volume,gross charges"
  ),
  typed(
    "amount",
    "fee",
    "fee,fees,processing fee,cost,total fee,total fees,transaction fee,transaction fees,processing fees,processor fee,merchant fee,service fee,fee amount,payment fee,charge fee,card fee,sale fee,sales fee,your fee,fee charged,fees charged,fees deducted,fee deducted,deducted fees,deducted fee,total processing fee,fees total,discount fee,commission,charges,provider fee,gebuhr,gebuhren,provision,provision netto,gebuehr,gebuehren,entgelt,entgelte,frais,commission ttc,commissions,commission ht,comision,comisiones,commissione,commissioni,kosten,msc,merchant service charge,merchant service charges,variable fee,fee variable,percentage fee"
  ),
  typed(
    "amount",
    "net",
    "net,net amount,net funded,amount funded,funded amount,net deposited,balance effect,net total,net proceeds,net sales,net settlement,settlement amount,net deposit,amount net,net payout,you receive,settled amount,proceeds,netto,nettobetrag,montant net,monto neto,valor neto,valor liquido,neto,importe neto,importo netto,amount deposited,deposited amount,net to merchant,merchant net,amount after fees,net of fees,net settled,net payable,net paid,deposit amount,deposit amt,transfer total,payout total,net volume"
  ),
  text(
    "method",
    "method,paid by,payment method,instrument,payment type,tender,tender type,gateway,payment gateway,source,payment source,payment method type,card or bank,funding,zahlungsart,mode de paiement,moyen de paiement,metodo de pago,forma de pago,paid via,payment via,paid with,pay method"
  ),
  text(
    "payerName",
    "payer_name,payer,name,party,counterparty,donor,customer name,paid by name,cardholder,account name,payer name,customer,from,billing name,buyer,buyer name,client name,client,shopper,contact,company,company name,paid by,card holder,cardholder name,kunde,kundenname,absender,individual name,receiver name,receiving name,individual,receiver,member name,payer company,customer company,billing company,nom du client,client nom,cliente,nombre,pagador,payor,customer nm,student,student name,guest,guest name,tenant,tenant name,patient,patient name,resident,attendee,member,member full name,subscriber,household,family"
  ),
  text(
    "payerEmail",
    "payer_email,email,customer email,payer mail,payer email,from email address,from email,e mail,buyer email,billing email,receipt email,client email,customer mail,courriel,correo"
  ),
  text(
    "reference",
    "reference,memo,description,note,details,message,invoice number,invoice,statement descriptor,order reference,merchant reference,customer reference,item title,subject,comment,remarks,verwendungszweck,betreff,beschreibung,libelle,concepto,descripcion,invoice id,invoice no,referencia,payment reference,payment ref,transaction reference,transaction"
  ),
  text(
    "payoutId",
    "payout_id,payout,automatic payout id,transfer id,batch,deposit id,settlement id,transfer,batch id,batch number,batch no,payout reference,settlement batch,settlement batch id,settlement number,deposit reference,settlement reference,auszahlung,auszahlungs id,virement,id virement,numero remise,no remise,remise,funding id,disbursement id,funding batch,liquidacion,transfer reference,transfer ref,transfer number,transfer no,deposit number,deposit no,disbursement,disbursement reference,disbursement number,payout number,payout no,payout ref,funding reference,funding number"
  ),
  typed(
    "day",
    "payoutOn",
    "payout_on,payout date,automatic payout effective at,paid out on,deposit date,transfer date,payout day,paid out,deposited on,deposited,settlement paid on,auszahlungsdatum,date de virement,arrival date,arrives on,arrived on,arrival,expected arrival,expected arrival date,date deposited,date paid out,disbursed on,disbursement date"
  ),
  typed("day", "spanFrom", "span_from,period from,from,covers from"),
  typed("day", "spanTo", "span_to,period to,to,covers to"),
  text(
    "returnCode",
    "return_code,return code,reason code,return reason code,reason,failure code,reject code,dispute reason"
  ),
  typed("day", "answerBy", "answer_by,answer by,respond by,response due,evidence due"),
  text("brand", "brand,card brand,card type,card network,scheme,card scheme,network"),
  text("abroad", "abroad,foreign,international,foreign card"),
  text(
    "relatedId",
    "related_id,original id,charge,charge id,parent id,source id,for charge,parent transaction,parent transaction id,original transaction,original transaction id,reference txn id,linked transaction,related transaction,source transaction,original charge,original reference,charge id ref,refers to,payment id ref"
  ),
  text(
    "status",
    "status,state,transaction status,payment status,financial status,result,outcome,response,statut,etat,etat du paiement,zustand,estado,stato"
  ),
  typed(
    "amount",
    "fee2",
    "fixed fee,fee fixed,fixed fees,second fee,other fee,other fees,additional fee,additional fees,application fee,interchange,interchange fee,gateway fee,per item fee,assessment,assessments"
  ),
  typed(
    "amount",
    "feeTax",
    "tax on fee,tax on fees,fee tax,taxes on fee,vat on fee,gst on fee,fee vat,fee gst,mwst auf gebuhr,provision ust,provision mwst,ust auf gebuhr,tva sur frais,iva de la comision,iva comision,iva sobre comision,tva sur commission,tva commission,tva sur les commissions"
  ),
  // What was paid beside the sum of a line: no head says so, as a tip may be within it.
  typed("amount", "onTop", "on_top,paid on top"),
  typed(
    "amount",
    "refunded",
    "amount refunded,refunded amount,refunded,refund amount,refund total,total refunded,refunds,returns"
  ),
  typed(
    "amount",
    "moneyIn",
    "money in,credit,credits,paid in,amount in,credit amount,haben,haber,in,deposits"
  ),
  typed(
    "amount",
    "moneyOut",
    "money out,debit,debits,amount out,debit amount,soll,debe,out,paid out,withdrawals,withdrawal"
  ),
  typed(
    "amount",
    "balance",
    "balance,running,running balance,balance after,account balance,ending balance,running total,saldo,guthaben,solde"
  )
];

// src/core/formats/fields/remittance.ts
var remittance = [
  text(
    "trace",
    "trace,trace number,payment reference,payment number,payment id,check number,eft number,remittance id,transaction id,reference,payment no,payment ref,remittance number,advice number,check no,ach trace,eft trace,check eft number,eft check number,check eft no,eft check no,check eft,check,cheque,cheque number,cheque no,zahlungsbeleg,zahlungsreferenz,zahlungsnummer,reference de paiement,referencia de pago,numero de pago,betalingskenmerk,payment doc,payment document,payment"
  ),
  typed(
    "day",
    "paidOn",
    "paid_on,payment date,payment dt,pay dt,check dt,paid on,pay date,date paid,date,remittance date,value date,check date,cheque date,settlement date,effective date,zahlungsdatum,zahldatum,zahlung am,date de paiement,date paiement,fecha de pago,fecha pago,data pagamento,data di pagamento,betaaldatum,betalingsdatum,eft date,clearing date,remit date,remitted on",
    true
  ),
  text(
    "payerName",
    "payer_name,payer,from,company,payer name,customer,customer name,vendor paid by,paid by,sender,originator,payor,remitter,absender,zahler,auftraggeber,payer company,paying company,emetteur,donneur d ordre"
  ),
  typed(
    "amount",
    "total",
    "total,payment amount,payment amt,check amt,eft amt,payment total,amount of payment,total payment,check amount,cheque amount,total paid,eft amount,remittance total"
  ),
  text(
    "number",
    "invoice_number,invoice,invoice no,invoice number,your invoice,your reference,your ref,your document,invoice reference,ihre referenz,ihre rechnung,rechnungsnummer,votre reference,su referencia,document,invoice num,inv no,inv number,doc,document number,document no,bill number,supplier invoice,vendor invoice,vendor inv,vendor inv no,vendor inv number,supplier inv,supplier inv no,vendor invoice no,vendor invoice number,supplier invoice no,supplier invoice number,reference number,doc no,invoices,invoices paid,invoice numbers,invoice nos,belegnummer lieferant,rechnung,facture,factura,fattura,belegnummer,belegnr,beleg,reference,ref,your doc,your document no,your invoice no,your number,bill ref,bill reference,for invoice,invoice ref,paid invoice",
    true
  ),
  typed(
    "amount",
    "amount",
    "amount,amount paid,paid,paid this time,net,paid amount,paid amt,amt paid,net amount,net paid,payment,invoice paid,amount applied,netto,nettobetrag,zahlbetrag,betrag,montant,importe,importo,paid now,remit amt,remit amount,remitted,amount remitted,remitted amount,this payment,payment this time",
    true
  ),
  typed(
    "amount",
    "discount",
    "discount,discount taken,deduction,discount amount,disc,cash discount,discounts,skonto,skontobetrag,escompte,descuento,sconto"
  ),
  typed("currency", "currency", "currency,ccy,cur,wahrung,waehrung,devise,moneda,divisa,valuta")
];

// src/core/formats/fields/returns.ts
var returns = [
  text("record", "record,record type"),
  text(
    "code",
    "code,return code,reason code,change code,return reason code,reject code,return type code,ach return code,nacha code,noc code,r code,return reason,reason",
    true
  ),
  text(
    "originalTrace",
    "original_trace,original trace number,original trace,trace of the debit,orig trace number,orig trace,orig trace no,original trace no,original entry trace number,original entry trace,original ach trace,original trace id",
    true
  ),
  text("trace", "trace,trace number,return trace,return trace number,trace no,trace id"),
  typed(
    "day",
    "on",
    "date,returned on,return date,date returned,returned date,returned,returned item date,return item date,date of return,return settlement date,return effective date,processed date,process date,processing date,posted date,posting date,post date,settled on,received date,date received,settlement date,effective,effective date",
    true
  ),
  typed(
    "amount",
    "amount",
    "amount,sum,return amount,returned amount,amount returned,entry amount,transaction amount,item amount,original amount"
  ),
  text(
    "name",
    "name,payer,customer,individual,individual name,receiver,receiver name,receiving name,payer name,customer name,account name,account holder,payor,client,client name"
  ),
  text(
    "account",
    "account,account ending,last four,account number,account no,dfi account number,account last 4,last 4,account suffix"
  ),
  text(
    "correction",
    "correction,corrected data,corrected account,corrected information,correction data,change data,addenda information,addenda"
  ),
  typed("currency", "currency", "currency,ccy,cur")
];

// src/core/formats/fields/index.ts
var FIELDS = {
  customers,
  invoices,
  processor,
  bank,
  remittance,
  returns
};

// src/core/activity/kinds.ts
var ROW_KINDS = {
  charge: {
    label: "charge",
    words: /charge|payment|sale|capture|debit|receipt/,
    rank: 11,
    lowers: false,
    item: "charge",
    order: 0,
    counted: "receipts, at their gross",
    fee: "processing"
  },
  fee: {
    label: "fee",
    words: /fee|cost/,
    rank: 9,
    lowers: true,
    item: "fee",
    order: 1,
    counted: "fees, as an expense",
    fee: "processing"
  },
  refund: {
    label: "refund",
    words: /refund/,
    rank: 6,
    lowers: true,
    item: "refund",
    order: 4,
    counted: "refunds",
    fee: "processing"
  },
  dispute: {
    label: "dispute",
    words: /dispute|chargeback/,
    rank: 5,
    lowers: true,
    item: "dispute",
    order: 5,
    counted: "disputes opened",
    fee: "dispute"
  },
  dispute_won: {
    label: "dispute won",
    words: /^(?:(?!dispute|chargeback).)*(?:dispute|chargeback).*(?:won|revers|returned to you|reinstat)/s,
    rank: 4,
    lowers: false,
    item: "dispute",
    order: 7,
    counted: "disputes won",
    fee: "dispute"
  },
  dispute_fee: {
    label: "dispute fee",
    words: /^(?=.*(?:dispute|chargeback)).*fee/s,
    rank: 2,
    lowers: true,
    item: "dispute_fee",
    order: 6,
    counted: "dispute fees",
    fee: "processing"
  },
  ach_return: {
    label: "ACH return",
    words: /return|reject/,
    rank: 7,
    lowers: true,
    item: "ach_return",
    order: 8,
    counted: "ACH returns",
    fee: "return"
  },
  return_fee: {
    label: "return fee",
    words: /^(?=.*return).*fee/s,
    rank: 3,
    lowers: true,
    item: "return_fee",
    order: 9,
    counted: "return fees",
    fee: "processing"
  },
  reserve: {
    label: "reserve",
    words: /reserve|hold/,
    rank: 8,
    lowers: false,
    item: "reserve",
    order: 3,
    counted: "reserves held or released",
    fee: "processing"
  },
  adjustment: {
    label: "adjustment",
    words: /adjust|correction/,
    rank: 10,
    lowers: false,
    item: "adjustment",
    order: 2,
    counted: "adjustments",
    fee: "processing"
  },
  started: {
    label: "debit on its way",
    words: /\b(pending|initiated|started|submitted|in process|processing debit)\b/,
    rank: 0,
    lowers: false,
    item: null,
    order: 10,
    counted: "debits on their way",
    fee: "processing"
  },
  payout: {
    label: "payout",
    words: /^(?!.*(?:failed|cancel+ed)).*(?:pay ?out|transfer to bank|withdrawal to bank|deposit to bank)/,
    rank: 1,
    lowers: false,
    item: null,
    order: null,
    counted: "payouts",
    fee: "processing"
  },
  ignore: {
    label: "not of this job",
    // What has ended is no row of its own: what it was is looked up.
    words: /pay ?out (?:failed|cancel+ed)|(?:failed|cancel+ed) pay ?out/,
    rank: 12,
    lowers: false,
    item: null,
    order: null,
    counted: "rows not of this job",
    fee: "processing"
  }
};
var ROW_KIND_NAMES = Object.keys(ROW_KINDS);
var ACTIVITY_ORDER = ROW_KIND_NAMES.filter(
  (kind) => ROW_KINDS[kind].order !== null
).sort((a, b) => ROW_KINDS[a].order - ROW_KINDS[b].order);
var BY_RANK = [...ROW_KIND_NAMES].sort((a, b) => ROW_KINDS[a].rank - ROW_KINDS[b].rank);
function guessRowKind(word) {
  const lower = word.toLowerCase().replace(/[_-]+/g, " ");
  return BY_RANK.find((kind) => ROW_KINDS[kind].words?.test(lower) ?? false);
}

// src/core/activity/itemKinds.ts
var FEE_KINDS = {
  processing: { item: "fee", label: "processing fee" },
  dispute: { item: "dispute_fee", label: "dispute fee" },
  return: { item: "return_fee", label: "return fee" }
};
var PAYOUT_COLUMNS = ["charges", "fees", "refunds", "disputes", "other"];
var PROCESSOR_ITEM_KINDS = {
  charge: { label: "charge", column: "charges", feeKind: null },
  fee: { label: "fee", column: "fees", feeKind: "processing" },
  refund: { label: "refund", column: "refunds", feeKind: null },
  dispute: { label: "dispute", column: "disputes", feeKind: null },
  dispute_fee: { label: "dispute fee", column: "fees", feeKind: "dispute" },
  ach_return: { label: "ACH return", column: "other", feeKind: null },
  return_fee: { label: "return fee", column: "fees", feeKind: "return" },
  reserve: { label: "reserve", column: "other", feeKind: null },
  adjustment: { label: "adjustment", column: "other", feeKind: null },
  opening: { label: "opening", column: "other", feeKind: null }
};
var PROCESSOR_ITEM_KIND_NAMES = Object.keys(PROCESSOR_ITEM_KINDS);
function kindsInColumn(column2) {
  return PROCESSOR_ITEM_KIND_NAMES.filter((kind) => PROCESSOR_ITEM_KINDS[kind].column === column2);
}

// src/core/formats/decimalMark.ts
function decimalMarkOf(sums) {
  const count = { ".": 0, ",": 0, open: 0, nothing: 0 };
  let sample = null;
  for (const sum of sums) {
    const says = spokenBy(sum);
    count[says] += 1;
    if (says === "open") sample ??= sum.text.trim();
  }
  const decided = count["."] + count[","] > 0;
  if (decided) return { mark: count[","] > count["."] ? "," : ".", sample: null };
  return { mark: sample !== null && readsOnlyWithComma(sums) ? "," : ".", sample };
}
var POINT_AND_THREE = /^\D*\d{1,3}\.\d{3}\D*$/;
function spokenBy({ text: text2, currency }) {
  const [point, comma] = [parseAmount(text2, ".", currency), parseAmount(text2, ",", currency)];
  if (point.ok && comma.ok) return point.value === comma.value ? "nothing" : "open";
  if (!point.ok && !comma.ok) return "nothing";
  if (comma.ok) return POINT_AND_THREE.test(text2.trim()) ? "open" : ",";
  return ".";
}
var readsOnlyWithComma = (sums) => sums.some(({ text: text2, currency }) => !parseAmount(text2, ".", currency).ok) && sums.every(({ text: text2, currency }) => text2.trim() === "" || parseAmount(text2, ",", currency).ok);

// src/core/formats/plainWords.ts
var withoutAccents = (text2) => text2.normalize("NFD").replace(new RegExp("\\p{M}", "gu"), "").replace(/ß/g, "ss").toLowerCase();
function plainWords(text2) {
  const before = plain.get(text2);
  if (before !== void 0) return before;
  const words = withoutAccents(text2.replace(/([a-z])([A-Z])/g, "$1 $2")).replace(/[^\p{L}\p{N}]+/gu, " ").trim();
  if (plain.size >= MOST_KNOWN) plain.clear();
  if (text2.length <= LONGEST_KNOWN) plain.set(text2, words);
  return words;
}
var plain = /* @__PURE__ */ new Map();
var LONGEST_KNOWN = 40;
var IN_BRACKETS = /[([][^)\]]{0,20}[)\]]/g;
var KEPT = /^.(?:net|gross|netto|brutto).$/i;
function headWords(head2) {
  const before = known.get(head2);
  if (before !== void 0) return before;
  const bare2 = head2.replace(/#/g, " number ");
  const whole2 = plainWords(bare2.replace(IN_BRACKETS, (said) => KEPT.test(said) ? said : " ")) || plainWords(bare2);
  const long = whole2.split(" ").map((word) => IN_FULL[word] ?? word).join(" ");
  const words = long.replace(UNIT, "") || long;
  if (known.size < MOST_KNOWN) known.set(head2, words);
  return words;
}
var IN_FULL = {
  amt: "amount",
  inv: "invoice",
  cust: "customer",
  bal: "balance",
  trans: "transaction",
  tran: "transaction",
  trx: "transaction",
  txn: "transaction",
  desc: "description",
  acct: "account",
  pmt: "payment",
  pymt: "payment",
  dt: "date",
  no: "number",
  nr: "number",
  nbr: "number",
  num: "number",
  ref: "reference"
};
var UNIT = / (?:in )?(?:cents?|minor|minor units?|pence|centimes|euros?|dollars?|usd|eur|gbp|cad|aud|chf|utc|gmt|local|local time)$/;
var known = /* @__PURE__ */ new Map();
var MOST_KNOWN = 5e3;

// src/core/formats/guess.ts
var MOST_LOOKED_AT = 2e3;
var USUAL = "USD";
var plain2 = headWords;
function guessMapping(table, kind, {
  currency = USUAL,
  columns = guessColumns(table.headers, kind)
} = {}) {
  const cells = (types) => FIELDS[kind].filter(({ type, field }) => type === types && columns[field] !== void 0).flatMap(({ field }) => column(table, columns[field] ?? ""));
  const spec = {
    kind,
    columns,
    dayOrder: guessDayOrder(cells("day")),
    decimalMark: markOf(table, { kind, columns }, currency).mark,
    markSaid: false,
    rowKinds: {},
    signs: "by_kind",
    payoutSign: "as_written",
    feeSign: "cost"
  };
  return kind === "processor" ? guessProcessor(table, spec) : spec;
}
function guessColumns(headers, kind, fits = () => true) {
  const found = {};
  const free = new Set(headers.filter((header) => header !== ""));
  const most = Math.max(...FIELDS[kind].map(({ names }) => names.length));
  for (const headOf of [plain2, bareHead].map(onceEach))
    for (let rank = 0; rank < most; rank += 1) {
      for (const spec of FIELDS[kind]) {
        const { field, names, type } = spec;
        const name = names[rank];
        const header = found[field] !== void 0 || name === void 0 ? void 0 : [...free].find((entry) => headOf(entry, type) === plain2(name) && fits(spec, entry));
        if (header === void 0) continue;
        found[field] = header;
        free.delete(header);
      }
    }
  return kind === "bank" ? withWords(found) : found;
}
function onceEach(headOf) {
  const known2 = /* @__PURE__ */ new Map();
  return (head2, type) => {
    const key = `${type} ${head2}`;
    const seen = known2.get(key) ?? headOf(head2, type);
    known2.set(key, seen);
    return seen;
  };
}
var FILLING = {
  amount: /\b(?:amount|sum|value|total|cents|pence|minor|units?|betrag|montant|importe|importo|bedrag|in|of)\b/g,
  day: /\b(?:date|day|datum|fecha|data|on|of|ms|utc|epoch|unix|timestamp)\b/g
};
function bareHead(head2, type) {
  const filling = FILLING[type];
  return filling === void 0 ? "" : plain2(head2).replace(filling, " ").replace(/ +/g, " ").trim();
}
function withWords({ payerName, ...columns }) {
  if (payerName === void 0) return columns;
  return columns.description === void 0 ? { ...columns, description: payerName } : { ...columns, payerName };
}
function column(table, header) {
  const index = table.headers.indexOf(header);
  return index < 0 ? [] : table.rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => cells[index] ?? "").filter((cell) => cell.trim() !== "");
}
function guessDayOrder(cells) {
  const readable = (order) => cells.filter((cell) => parseDay(cell, order).ok).length;
  const orders = ["ymd", "mdy", "dmy"];
  return orders.reduce((best, order) => readable(order) > readable(best) ? order : best);
}
function markOf(table, { kind, columns }, currency) {
  const places = FIELDS[kind].filter(({ type, field }) => type === "amount" && columns[field] !== void 0).map(({ field }) => table.headers.indexOf(columns[field] ?? ""));
  const ofRow = table.headers.indexOf(columns.currency ?? "");
  return decimalMarkOf(
    table.rows.slice(0, MOST_LOOKED_AT).flatMap(({ cells }) => {
      const own = currencyOf((cells[ofRow] ?? "").trim()) ?? currency;
      return places.flatMap((place) => {
        const text2 = cells[place] ?? "";
        return text2.trim() === "" ? [] : [{ text: text2, currency: own }];
      });
    })
  );
}
function guessProcessor(table, spec) {
  const kindHeader = spec.columns.kind;
  const words = kindHeader === void 0 ? [] : [...new Set(column(table, kindHeader).map((word) => word.trim().toLowerCase()))];
  const rowKinds = Object.fromEntries(
    words.map((word) => [word, guessRowKind(word) ?? "ignore"])
  );
  const negative = (is) => table.rows.some(({ cells }) => {
    const word = (cells[table.headers.indexOf(kindHeader ?? "")] ?? "").trim().toLowerCase();
    const sum = cells[table.headers.indexOf(spec.columns.gross ?? spec.columns.net ?? "")] ?? "";
    return is(rowKinds[word] ?? "ignore") && /^\s*[(-]/.test(sum);
  });
  const fees = spec.columns.fee === void 0 ? [] : column(table, spec.columns.fee);
  return {
    ...spec,
    rowKinds,
    signs: negative((kind) => ROW_KINDS[kind].lowers) ? "as_written" : "by_kind",
    payoutSign: negative((kind) => kind === "payout") ? "turned" : "as_written",
    feeSign: fees.some((cell) => /^\s*[(-]/.test(cell)) && !fees.some((cell) => /^\s*\+?[1-9]/.test(cell)) ? "effect" : "cost"
  };
}

// src/core/formats/records.ts
function readCustomer(row) {
  const orNull = (field) => row.text(field) || null;
  return {
    line: row.line,
    externalId: row.needed("externalId"),
    name: row.needed("name"),
    email: row.emails("email"),
    phone: orNull("phone"),
    parentId: orNull("parentId"),
    aliases: row.text("aliases").split(/[;|]/).map((name) => name.trim()).filter((name) => name !== "")
  };
}
function readInvoice(row) {
  const number = row.needed("number");
  const customerId = row.needed("customerId");
  row.needed("issuedOn");
  row.needed("total");
  const issuedOn = row.day("issuedOn");
  const currency = row.currency("currency");
  const total = row.amount("total", currency);
  const terms = row.text("terms") || null;
  const dueOn = row.day("dueOn") ?? dueByTerms(row, issuedOn, terms);
  const balance = row.amount("balance", currency) ?? total;
  const tax = row.amount("tax", currency) ?? minor(0);
  if (issuedOn === null || dueOn === null || total === null || balance === null) return null;
  refuseUnlikely(row, { issuedOn, dueOn, total, balance });
  return {
    line: row.line,
    number,
    customerId,
    customerName: row.text("customerName") || null,
    issuedOn,
    dueOn,
    currency,
    total,
    balance,
    tax,
    poNumber: row.text("poNumber") || null,
    terms,
    description: row.text("description") || null
  };
}
function dueByTerms(row, issuedOn, terms) {
  if (terms === null) return issuedOn;
  const parsed = parseTerms(terms);
  if (!parsed.ok) row.refuse("terms", parsed.error);
  return issuedOn && parsed.ok ? dueDay(issuedOn, parsed.value) : issuedOn;
}
function refuseUnlikely(row, {
  issuedOn,
  dueOn,
  total,
  balance
}) {
  if (dueOn < issuedOn)
    row.refuse("dueOn", { code: "invoice.due_before_issue", due: dueOn, issued: issuedOn });
  if (total === 0) row.refuse("total", { code: "invoice.zero" });
  if (Math.sign(balance) * Math.sign(total) < 0 || Math.abs(balance) > Math.abs(total))
    row.refuse("balance", { code: "invoice.balance" });
}

// src/core/formats/bankRecord.ts
function readBankLine(row, seen) {
  row.needed("postedOn");
  const postedOn = row.day("postedOn");
  const currency = row.currency("currency");
  const amount = signedAmount(row, currency);
  const balance = row.amount("balance", currency);
  if (row.problems.length > 0 || postedOn === null) return null;
  if (amount === null) row.refuse("amount", { code: "field.empty", field: "amount" });
  if (amount === 0) row.refuse("amount", { code: "bank.zero" });
  const description = row.text("description").replace(/\s+/g, " ");
  const said = [postedOn, amount, description.toLowerCase()].join("|");
  const own = row.text("id");
  const balanced = `${said}|${balance ?? ""}`;
  return {
    line: row.line,
    externalId: own || `${said}|${counted(seen, said)}`,
    formerId: own === "" ? `${balanced}|${counted(seen, `balanced ${balanced}`)}` : null,
    postedOn,
    currency,
    amount: amount ?? minor(0),
    description,
    balance
  };
}
function counted(seen, said) {
  const nth = (seen.get(said) ?? 0) + 1;
  seen.set(said, nth);
  return nth;
}
function signedAmount(row, currency) {
  const written = row.amount("amount", currency);
  const moneyIn = row.amount("moneyIn", currency);
  const moneyOut = row.amount("moneyOut", currency);
  if (written !== null || moneyIn === null && moneyOut === null) return written;
  return add(Math.abs(moneyIn ?? 0), -Math.abs(moneyOut ?? 0));
}

// src/core/formats/sameLine.ts
var ABOUT_CHARGES = /* @__PURE__ */ new Set(["refund", "ach_return"]);
function ofSameLine() {
  let charge = null;
  return (records) => {
    for (const record of records) {
      if (record.kind === "payout") continue;
      if (record.kind === "charge") charge = record;
      else if (ABOUT_CHARGES.has(record.kind) && record.relatedId === null && charge?.line === record.line)
        record.relatedId = charge.externalId;
    }
  };
}

// src/core/receipts/returnCodes.ts
var CODES = [
  ...[
    ["R01", "insufficient funds", "funds"],
    ["R02", "account closed", "account"],
    ["R03", "no such account", "account"],
    ["R04", "invalid account number", "account"],
    ["R08", "payment stopped", "other"],
    ["R09", "uncollected funds", "funds"],
    ["R16", "account frozen", "other"],
    ["R20", "not a transaction account", "account"],
    ["R23", "credit refused", "other"],
    ["R24", "duplicate entry", "other"],
    ["R29", "corporate customer says not authorized", "unauthorized"],
    ["R31", "permissible return of a corporate entry", "other"]
  ].map(([code, words, kind]) => ({ code, words, kind, within: { bankingDays: 2 } })),
  ...[
    ["R05", "consumer debit under a corporate code", "unauthorized"],
    ["R07", "authorization revoked", "unauthorized"],
    ["R10", "customer says not authorized", "unauthorized"],
    ["R11", "not by the terms of the authorization", "unauthorized"],
    ["R51", "notice or item improper", "unauthorized"]
  ].map(([code, words, kind]) => ({ code, words, kind, within: { calendarDays: 60 } }))
];
var BY_CODE = new Map(CODES.map((returnCode) => [returnCode.code, returnCode]));
function returnCodeOf(code) {
  return BY_CODE.get(code.trim().toUpperCase());
}
function returnableUntil(code, settledOn) {
  const within = returnCodeOf(code)?.within ?? { bankingDays: 2 };
  return "bankingDays" in within ? addBankingDays(settledOn, within.bankingDays) : addDays(settledOn, within.calendarDays);
}
var RETRY_DAYS = 180;
var MOST_RETRIES = 2;
var RETRY_CODES = /* @__PURE__ */ new Set(["R01", "R09"]);
function retryOf(code, tried, settledOn, today) {
  const known2 = returnCodeOf(code);
  if (known2?.kind === "account") return { may: false, why: "account" };
  if (known2?.kind === "unauthorized") return { may: false, why: "unauthorized" };
  if (!RETRY_CODES.has(code.trim().toUpperCase())) return { may: false, why: "code" };
  if (tried >= MOST_RETRIES) return { may: false, why: "tries" };
  const until = addDays(settledOn, RETRY_DAYS);
  return today > until ? { may: false, why: "days" } : { may: true, until };
}
var MEND_BANKING_DAYS = 6;
function mendBy(toldOn) {
  return addBankingDays(toldOn, MEND_BANKING_DAYS);
}

// src/core/receipts/advice.ts
var ADVICE_DAYS = 7;
var MOST_TOGETHER = 5;
var MOST_CHOICES = 14;
var MOST_LOOSE = 300;
var lettersOf = (text2) => text2.toUpperCase().replace(/[^A-Z0-9]/g, "");
var bare = (text2) => lettersOf(text2).replace(/^0+/, "");
var COMMON = /^(?:THE|AND|INC|LLC|LTD|CORP|COMPANY|GMBH|SCHOOLS?|STUDIOS?|SERVICES|GROUP)$/;
function sameSender(one, other) {
  const [a, b] = [lettersOf(one), lettersOf(other)];
  if (a === "" || b === "" || a.startsWith(b) || b.startsWith(a)) return true;
  const own = (text2) => text2.toUpperCase().match(/[A-Z0-9]{4,}/g)?.filter((word) => !COMMON.test(word)) ?? [];
  const words = new Set(own(one));
  return own(other).some((word) => words.has(word));
}
var isNear = (advice, receipt) => advice.currency === receipt.currency && Math.abs(daysBetween(advice.paidOn, receipt.paidOn)) <= ADVICE_DAYS;
var isNamed = ({ trace }, { reference }) => bare(trace).length >= 4 && bare(reference).includes(bare(trace));
var isFrom = (advice, receipt) => sameSender(advice.payerName, receipt.payerName || receipt.reference);
function joinAdvice(advices, receipts) {
  const joined3 = [];
  const left = { advices: new Set(advices), receipts: new Set(receipts) };
  const take = (found) => {
    const [ofAdvices, ofReceipts] = [
      new Set(found.map(({ adviceId }) => adviceId)),
      new Set(found.map(({ receiptId }) => receiptId))
    ];
    for (const advice of left.advices) if (ofAdvices.has(advice.id)) left.advices.delete(advice);
    for (const receipt of left.receipts)
      if (ofReceipts.has(receipt.id)) left.receipts.delete(receipt);
    joined3.push(...found);
  };
  for (const fits of [isNamed, isFrom])
    take(onlyPairs([...left.advices], [...left.receipts], fits));
  if (left.advices.size > MOST_LOOSE) return joined3;
  const several = [...left.receipts].flatMap((receipt) => severalFor(receipt, [...left.advices]));
  take(withoutShared(several));
  for (const advice of [...left.advices]) take(forSeveral(advice, [...left.receipts]));
  return joined3;
}
function withoutShared(several) {
  const counts = countsOf(several, ({ adviceId }) => adviceId);
  const doubtful = new Set(
    several.filter(({ adviceId }) => (counts.get(adviceId) ?? 0) > 1).map(({ receiptId }) => receiptId)
  );
  return several.filter(({ receiptId }) => !doubtful.has(receiptId));
}
function countsOf(joined3, of) {
  const counts = /* @__PURE__ */ new Map();
  for (const one of joined3) counts.set(of(one), (counts.get(of(one)) ?? 0) + 1);
  return counts;
}
function onlyPairs(advices, receipts, fits) {
  const bySum = /* @__PURE__ */ new Map();
  for (const receipt of receipts)
    bySum.set(receipt.amount, [...bySum.get(receipt.amount) ?? [], receipt]);
  const pairs = advices.flatMap(
    (advice) => (bySum.get(advice.sum) ?? []).filter((receipt) => isNear(advice, receipt) && fits(advice, receipt)).map((receipt) => ({ adviceId: advice.id, receiptId: receipt.id, lineNos: null }))
  );
  const ofAdvice = countsOf(pairs, ({ adviceId }) => adviceId);
  const ofReceipt = countsOf(pairs, ({ receiptId }) => receiptId);
  return pairs.filter(
    ({ adviceId, receiptId }) => ofAdvice.get(adviceId) === 1 && ofReceipt.get(receiptId) === 1
  );
}
function severalFor(receipt, advices) {
  const own = advices.filter(
    (advice) => isNear(advice, receipt) && (isNamed(advice, receipt) || advice.payerName !== "" && isFrom(advice, receipt))
  );
  const set = onlySet(own, receipt.amount, ({ sum }) => sum);
  return (set ?? []).map(({ id }) => ({ adviceId: id, receiptId: receipt.id, lineNos: null }));
}
function forSeveral(advice, receipts) {
  if (advice.payerName === "") return [];
  const own = receipts.filter((receipt) => isNear(advice, receipt) && isFrom(advice, receipt));
  const set = onlySet(own, advice.sum, ({ amount }) => amount);
  return set === null ? [] : parted(advice, set);
}
function parted(advice, receipts) {
  const joined3 = [];
  let lines = advice.lines;
  if (sumOf(lines, ({ amount }) => amount) !== advice.sum) return [];
  for (const receipt of receipts.slice(0, -1)) {
    const own = onlySet(lines, receipt.amount, ({ amount }) => amount, 1);
    if (own === null) return [];
    joined3.push({
      adviceId: advice.id,
      receiptId: receipt.id,
      lineNos: own.map(({ lineNo }) => lineNo)
    });
    lines = lines.filter((line) => !own.includes(line));
  }
  const last = receipts.at(-1);
  return last ? [
    ...joined3,
    { adviceId: advice.id, receiptId: last.id, lineNos: lines.map(({ lineNo }) => lineNo) }
  ] : [];
}
function onlySet(things, sum, of, least = 2) {
  if (things.length > MOST_CHOICES) return null;
  const found = [];
  const search = (at2, chosen, open) => {
    if (found.length > 1) return;
    if (open === 0 && chosen.length >= least) found.push([...chosen]);
    if (chosen.length === MOST_TOGETHER && least > 1) return;
    for (let next = at2; next < things.length; next += 1) {
      const thing = things[next];
      search(next + 1, [...chosen, thing], open - of(thing));
    }
  };
  search(0, [], sum);
  return found.length === 1 ? found[0] ?? null : null;
}

// src/core/receipts/index.ts
var METHODS = [
  "card",
  "ach_debit",
  "ach_credit",
  "wire",
  "check",
  "cash",
  "money_order",
  "other"
];
var STANDING = ["applied", "parked", "income", "surcharge", "recovered"];
var PARTS = ["unidentified", "onAccount", ...STANDING];
function move(state, parts2, event) {
  switch (event.kind) {
    case "placed":
      return placed(state, parts2, event);
    case "moved_from_account":
      return movedFromAccount(state, parts2, event.applied);
    case "set_aside":
      return setAside(state, parts2, "parked");
    case "other_income":
      return setAside(state, parts2, "income");
    case "taken_back":
      return takenBack(parts2);
    case "gone_back":
      return goneBack(parts2, event.parts, state);
    default:
      throw event;
  }
}
function placed(state, parts2, event) {
  const { applied, onAccount, surcharge, recovered } = event;
  if (state !== "to_match") return fail("receipt.not_to_match", { state });
  if (add(applied, onAccount, surcharge, recovered) !== parts2.unidentified)
    return fail("receipt.sum");
  if (onAccount < 0 || surcharge < 0 || recovered < 0) return fail("receipt.sum");
  return ok({
    state: "placed",
    parts: {
      ...parts2,
      unidentified: minor(0),
      applied: add(parts2.applied, applied),
      onAccount: add(parts2.onAccount, onAccount),
      surcharge: add(parts2.surcharge, surcharge),
      recovered: add(parts2.recovered, recovered)
    }
  });
}
function movedFromAccount(state, parts2, sum) {
  if (state !== "placed") return fail("receipt.not_to_match", { state });
  if (sum > parts2.onAccount) return fail("receipt.sum");
  const [applied, onAccount] = [add(parts2.applied, sum), add(parts2.onAccount, -sum)];
  return ok({ state, parts: { ...parts2, applied, onAccount } });
}
function setAside(state, parts2, as) {
  if (state !== "to_match") return fail("receipt.not_to_match", { state });
  const sum = add(parts2[as], parts2.unidentified);
  return ok({ state: "set_aside", parts: { ...parts2, unidentified: minor(0), [as]: sum } });
}
function takenBack(parts2) {
  const left = add(...PARTS.map((part) => parts2[part]));
  return ok({
    state: left > 0 ? "to_match" : "returned",
    parts: {
      ...allToMatch(minor(Math.max(0, left))),
      onAccount: minor(Math.min(0, left)),
      goneBack: parts2.goneBack
    }
  });
}
function goneBack(parts2, back, state) {
  const next = {
    unidentified: add(parts2.unidentified, -back.unidentified),
    onAccount: add(parts2.onAccount, -back.onAccount),
    applied: add(parts2.applied, -back.applied),
    parked: add(parts2.parked, -back.parked),
    income: add(parts2.income, -back.income),
    surcharge: add(parts2.surcharge, -back.surcharge),
    recovered: add(parts2.recovered, -back.recovered),
    goneBack: add(parts2.goneBack, ...PARTS.map((part) => back[part]))
  };
  const kept = [next.unidentified, ...STANDING.map((part) => next[part])];
  if (kept.some((sum) => sum < 0)) return fail("receipt.sum");
  const onlyGone = kept.every((sum) => sum === 0) && next.onAccount <= 0;
  return ok({ state: onlyGone ? "returned" : state, parts: next });
}
function allToMatch(amount) {
  return {
    unidentified: amount,
    onAccount: minor(0),
    applied: minor(0),
    parked: minor(0),
    income: minor(0),
    surcharge: minor(0),
    recovered: minor(0),
    goneBack: minor(0)
  };
}

// src/core/formats/activityCells.ts
function writtenOf(row, spec) {
  row.needed("occurredOn");
  const occurredOn = row.day("occurredOn");
  const settledOn = row.day("settledOn") ?? occurredOn;
  const currency = row.currency("currency");
  const gross = row.amount("gross", currency);
  const fee = row.amount("fee", currency);
  const net = row.amount("net", currency);
  const days = {
    spanFrom: row.day("spanFrom"),
    spanTo: row.day("spanTo"),
    payoutOn: row.day("payoutOn"),
    answerBy: row.day("answerBy")
  };
  if (occurredOn === null || settledOn === null || row.problems.length > 0) return null;
  const cost = fee === null || spec.feeSign === "cost" ? fee : negate(fee);
  return { occurredOn, settledOn, currency, gross, fee: cost, net, ...days };
}
function made(row, kind, { on, amount, seen }) {
  const said = [
    kind,
    on,
    amount,
    row.text("relatedId"),
    row.text("payerName"),
    row.text("reference")
  ].join("|");
  const nth = (seen.get(said) ?? 0) + 1;
  seen.set(said, nth);
  return nth === 1 ? said : `${said}|${nth}`;
}
function amounts(row, spec, kind, { gross: written, fee, net }) {
  const gross = written ?? (net === null ? null : add(net, fee ?? 0));
  if (gross === null) {
    row.refuse("gross", { code: "activity.no_sum" });
    return null;
  }
  if (kind === "payout")
    return { amount: spec.payoutSign === "turned" ? negate(gross) : gross, fee: minor(0) };
  const cost = fee ?? (net === null ? minor(0) : add(gross, -net));
  if (net !== null && add(gross, -cost) !== net) {
    row.refuse("net", { code: "activity.foot", gross, fee: cost, net });
    return null;
  }
  return { amount: effectOf(kind, gross, spec), fee: cost };
}
function effectOf(kind, gross, spec) {
  if (ROW_KINDS[kind].lowers && spec.signs === "by_kind") return minor(-Math.abs(gross));
  return kind === "dispute_won" ? minor(Math.abs(gross)) : gross;
}
function methodOf(written) {
  const lower = written.toLowerCase().trim().replace(/[\s-]+/g, "_");
  const exact = METHODS.find((method) => method === lower);
  if (exact) return exact;
  return /ach|bank|e_?check|direct_?debit/.test(lower) ? "ach_debit" : "card";
}

// src/core/formats/activityRecord.ts
function readActivity(row, spec, seen = /* @__PURE__ */ new Map()) {
  const word = row.text("kind").toLowerCase();
  const kind = word === "" ? "charge" : spec.rowKinds[word] ?? guessRowKind(word);
  if (kind === void 0) row.refuse("kind", { code: "activity.kind", text: word });
  const read = writtenOf(row, spec);
  if (kind === void 0 || kind === "ignore" || read === null) return null;
  const signed = amounts(row, spec, kind, read);
  if (signed === null) return null;
  return kind === "payout" ? [payoutRecord(row, read, signed.amount)] : activityRecords(row, kind, read, { ...signed, seen });
}
function payoutRecord(row, read, net) {
  const paidOn = read.payoutOn ?? read.occurredOn;
  return {
    line: row.line,
    kind: "payout",
    externalId: row.text("payoutId") || row.text("id") || `payout ${paidOn} ${net}`,
    paidOn,
    currency: read.currency,
    net,
    spanFrom: read.spanFrom,
    spanTo: read.spanTo
  };
}
function activityRecords(row, kind, read, { amount, fee, seen }) {
  if ((kind === "charge" || kind === "started") && amount <= 0)
    row.refuse("gross", { code: "activity.charge_sign" });
  const externalId = row.text("id") || made(row, kind, { on: read.occurredOn, amount, seen });
  const item = itemRecord(row, read, { externalId, kind, amount });
  if (fee === 0) return [item];
  const feeItem = {
    ...item,
    kind: FEE_KINDS[ROW_KINDS[kind].fee].item,
    amount: negate(fee),
    relatedId: externalId
  };
  return amount === 0 ? [feeItem] : [item, feeItem];
}
var ABROAD = /^(y|yes|true|1|x|abroad|foreign|international|non[- ]?domestic)$/i;
function itemRecord(row, { occurredOn, settledOn, currency, payoutOn, answerBy }, { externalId, kind, amount }) {
  return {
    line: row.line,
    kind,
    externalId,
    occurredOn,
    settledOn,
    currency,
    amount,
    method: methodOf(row.text("method") || row.text("kind").toLowerCase()),
    payerName: row.text("payerName"),
    payerEmail: row.text("payerEmail").toLowerCase(),
    reference: row.text("reference"),
    payoutId: row.text("payoutId") || null,
    payoutOn,
    relatedId: row.text("relatedId") || null,
    returnCode: row.text("returnCode").toUpperCase() || null,
    answerBy,
    brand: row.text("brand") || null,
    abroad: ABROAD.test(row.text("abroad"))
  };
}
function expectedPayoutDay(lastSettled, delayDays) {
  return addBankingDays(lastSettled, delayDays);
}

// src/core/formats/journalFile.ts
var JOURNAL_FIELDS = [
  "entry_id",
  "posted_on",
  "event",
  "document",
  "party",
  "account",
  "account_name",
  "currency",
  "amount",
  "debit",
  "credit",
  "reverses",
  "again"
];

// src/core/formats/agreedTable.ts
function spanOf(days) {
  const known2 = days.filter((day) => /^\d{4}-\d\d-\d\d$/.test(day)).sort();
  const [from, to] = [known2[0], known2.at(-1)];
  return from && to ? { from, to } : null;
}
function agreedTable(kind, rows, { proofs = [], off = null, span = null, madeOutTo = null } = {}) {
  const fields = FIELDS[kind];
  const apart = new Set(rows.map(({ line }) => line)).size === rows.length;
  const lineOf3 = ({ line }, at2) => apart ? line : at2 + 1;
  return {
    kind,
    aside: rows.flatMap((row, at2) => marked(lineOf3(row, at2), row.aside)),
    doubts: rows.flatMap((row, at2) => marked(lineOf3(row, at2), row.doubt)),
    moments: rows.flatMap((row, at2) => marked(lineOf3(row, at2), row.moment)),
    proofs,
    off,
    span,
    madeOutTo,
    headers: fields.map(({ names, field }) => names[0] ?? field),
    rows: rows.map((row, at2) => ({
      line: lineOf3(row, at2),
      cells: fields.map(({ field }) => row.fields[field] ?? "")
    }))
  };
}
var marked = (line, mark) => mark ? [{ line, mark }] : [];
var endOfAccount = (number) => number.replace(/\s/g, "").slice(-4);
function digitsOf(code) {
  const currency = currencyOf(code);
  return currency ? minorDigits(currency) : 2;
}
function decimalOf(sum, digits) {
  const size = String(Math.abs(sum)).padStart(digits + 1, "0");
  const whole2 = digits === 0 ? size : `${size.slice(0, -digits)}.${size.slice(-digits)}`;
  return sum < 0 ? `-${whole2}` : whole2;
}
function statementGap(statements, written) {
  const gaps = (ordered) => ordered.flatMap(({ account, opening }, at2) => {
    const before = ordered.slice(0, at2).findLast((one) => one.account === account);
    const closed = before?.closing ?? null;
    return closed === null || opening === null || closed === opening ? [] : [
      `a statement closes with ${written(closed)}, and the next one opens with ${written(opening)}`
    ];
  });
  const [first2] = gaps(statements);
  return first2 === void 0 || gaps(statements.toReversed()).length === 0 ? null : first2;
}
function balanceCheck(opening, sums, closing, written) {
  if (opening === null || closing === null) return { proof: null, off: null };
  const found = sums.reduce((total, sum) => total + sum, opening);
  return found === closing ? {
    proof: `opening ${written(opening)} and ${sums.length} lines come to the closing ${written(closing)}`,
    off: null
  } : {
    proof: null,
    off: `opening ${written(opening)} and ${sums.length} lines come to ${written(found)}, and the file says ${written(closing)}`
  };
}

// src/core/formats/bai2/records.ts
function recordsOf(text2) {
  const records = [];
  text2.split(/\r\n|\n|\r/).forEach((physical, at2) => {
    const trimmed = physical.trimEnd();
    if (trimmed === "") return;
    const [code, rest] = [trimmed.slice(0, 2), trimmed.slice(3)];
    const ended = rest.endsWith("/") ? rest.slice(0, -1) : rest;
    const last = records.at(-1);
    if (code === "88" && last) last.text += `${last.code === "16" ? " " : ","}${ended}`;
    else records.push({ line: at2 + 1, code, text: ended });
  });
  return records;
}

// src/core/formats/bai2/bai2.ts
var isBai2 = (text2) => /^\s*01,[^,\n]*,[^,\n]*,\d{6},/.test(text2.slice(0, 300));
function directionOf(type) {
  if (type >= 100 && type <= 399) return 1;
  return type >= 400 && type <= 699 ? -1 : 0;
}
var whole = (text2) => /^[+-]?\d{1,15}$/.test(text2 ?? "") ? Number(text2) : 0;
function fundsPlaces(fields, at2) {
  const kind = fields[at2];
  if (kind === "V") return 3;
  if (kind === "S") return 4;
  return kind === "D" ? 2 + 2 * whole(fields[at2 + 1]) : 1;
}
var LINES = {};
var GROUPS = {
  "2": { doubt: "taken_back" },
  "3": { doubt: "corrected" },
  "4": { aside: "no_money" }
};
var Bai2Reader = class {
  rows = [];
  checks = [];
  off = null;
  /** The first line with a sum whose type code says neither in nor out, such as a bank's own (900 to 999). */
  unknown = null;
  ended = false;
  account = null;
  day = "";
  status = LINES;
  currency = "USD";
  group = 0;
  file = 0;
  /** What each record does; the others say nothing of money. */
  of = {
    "02": (fields) => {
      this.status = GROUPS[fields[2] ?? ""] ?? LINES;
      this.day = isoOf(fields[3] ?? "");
      this.currency = fields[5] || "USD";
      this.group = 0;
    },
    "03": (fields) => {
      this.account = opened(fields, this.currency);
    },
    "16": (fields, line) => {
      const { account, day } = this;
      const row = account && detailOf(fields, { line, day, account });
      if (row) this.rows.push({ ...row, ...this.status });
      else if (whole(fields[1]) !== 0) this.unknown ??= { line, type: fields[0] ?? "" };
    },
    "49": (fields, line) => {
      if (!this.account) return;
      this.hold(fields, line, this.account.control);
      this.group += this.account.control;
      this.checks.push(checkOf(this.account));
      this.account = null;
    },
    "98": (fields, line) => {
      this.hold(fields, line, this.group);
      this.file += this.group;
    },
    "99": (fields, line) => {
      this.hold(fields, line, this.file);
      this.ended = true;
    }
  };
  take({ code, text: text2, line }) {
    this.of[code]?.(text2.split(","), line);
  }
  hold(fields, line, found) {
    if (whole(fields[0]) !== found) this.off ??= { line, said: fields[0] ?? "", found };
  }
};
function bai2Table(text2) {
  const reader = new Bai2Reader();
  for (const record of recordsOf(text2)) reader.take(record);
  const { rows, checks, off, ended, unknown } = reader;
  if (off) return fail("bai2.control", off);
  if (!ended) return fail("bai2.broken", { count: rows.length });
  if (rows.length === 0) return fail("file.no_rows");
  return ok(
    agreedTable("bank", rows, {
      proofs: [
        "its control totals are what its records add up to",
        ...checks.flatMap(({ proof }) => proof ?? [])
      ],
      off: unknown === null ? checks.find((check) => check.off !== null)?.off ?? null : `line ${unknown.line} has the type ${unknown.type}, which does not say whether money came or went; it is left out`
    })
  );
}
var isoOf = (day) => /^\d{6}$/.test(day) ? `20${day.slice(0, 2)}-${day.slice(2, 4)}-${day.slice(4, 6)}` : "";
function opened(fields, group) {
  const currency = fields[1] || group;
  const account = {
    end: endOfAccount(fields[0] ?? ""),
    currency,
    digits: digitsOf(currency),
    control: 0,
    opening: null,
    closing: null,
    sums: []
  };
  for (let at2 = 2; at2 < fields.length; ) {
    const [type, amount] = [fields[at2] ?? "", fields[at2 + 1] ?? ""];
    account.control += whole(amount);
    if (type === "010" && amount !== "") account.opening = whole(amount);
    if (type === "015" && amount !== "") account.closing = whole(amount);
    at2 += 3 + (fields[at2 + 3] === void 0 ? 1 : fundsPlaces(fields, at2 + 3));
  }
  return account;
}
function detailOf(fields, { line, day, account }) {
  const [type, amount] = [whole(fields[0]), whole(fields[1])];
  account.control += amount;
  const direction = directionOf(type);
  if (direction === 0 || amount === 0) return null;
  account.sums.push(direction * amount);
  const from = 2 + fundsPlaces(fields, 2);
  return {
    line,
    fields: {
      id: "",
      account: account.end,
      postedOn: day,
      currency: account.currency,
      amount: decimalOf(direction * amount, account.digits),
      description: [fields.slice(from + 2).join(","), fields[from], fields[from + 1]].filter((part) => part !== void 0 && part !== "").join(" ")
    }
  };
}
var checkOf = ({ opening, closing, sums, digits }) => balanceCheck(opening, sums, closing, (sum) => decimalOf(sum, digits));

// src/core/formats/bai2/masked.ts
var ACCOUNTS = /^(03,)([^,/\r\n]*)/gm;
var maskedBai2 = (text2) => maskedNumbers(
  text2.replace(ACCOUNTS, (_, record, number) => record + writtenOver(number))
);

// src/core/formats/bai2/index.ts
var bai2 = {
  name: "bai2",
  recognizes: isBai2,
  read: bai2Table,
  masked: maskedBai2
};

// src/core/formats/xml/tree.ts
import { SaxesParser } from "saxes";
var DEEPEST = 40;
var MOST_NODES = 5e5;
function xmlTree(text2) {
  const root = { name: "", space: "", attributes: {}, children: [], text: "" };
  const open = [root];
  let problem = null;
  let nodes = 0;
  const parser = new SaxesParser({ xmlns: true });
  parser.on("error", () => {
    problem ??= "xml.broken";
  });
  parser.on("doctype", () => {
    problem ??= "xml.doctype";
  });
  parser.on("opentag", ({ local, uri, attributes }) => {
    nodes += 1;
    if (open.length > DEEPEST) problem ??= "xml.deep";
    if (nodes > MOST_NODES) problem ??= "xml.large";
    if (problem) return;
    const own = Object.values(attributes).map(({ local: name, value }) => [name, value]);
    const node = {
      name: local,
      space: uri,
      attributes: Object.fromEntries(own),
      children: [],
      text: ""
    };
    open.at(-1)?.children.push(node);
    open.push(node);
  });
  parser.on("text", (piece) => {
    const here = open.at(-1);
    if (here) here.text += piece;
  });
  parser.on("closetag", () => {
    if (!problem) open.pop();
  });
  for (let at2 = 0; at2 < text2.length && problem === null; at2 += 65536)
    parser.write(text2.slice(at2, at2 + 65536));
  if (problem === null) parser.close();
  const [only] = root.children;
  return problem === null && only ? ok(only) : fail(problem ?? "xml.broken");
}
function at(node, ...path) {
  return path.reduce(
    (here, name) => here?.children.find((child) => child.name === name),
    node
  );
}
function allAt(node, name) {
  return node?.children.filter((child) => child.name === name) ?? [];
}
function textAt(node, ...path) {
  return at(node, ...path)?.text.trim() || null;
}

// src/core/formats/camt/days.ts
var dayAt = (node) => (textAt(node, "Dt") ?? textAt(node, "DtTm") ?? "").slice(0, 10);
var bookedOn = (entry) => dayAt(at(entry, "BookgDt")) || dayAt(at(entry, "ValDt"));
function bookedAt(entry) {
  const text2 = textAt(entry, "BookgDt", "DtTm") ?? "";
  return /^\d{4}-\d\d-\d\dT(?!00:00)\d\d:\d\d.{0,12}Z$/.test(text2) ? text2 : null;
}

// src/core/formats/camt/states.ts
var PENDING = ["PDNG", "INFO", "FUTR"];
var stateOf = (entry) => textAt(entry, "Sts", "Cd") ?? textAt(entry, "Sts", "Prtry") ?? textAt(entry, "Sts") ?? "";
var isBooked = (entry) => ["", "BOOK"].includes(stateOf(entry));
var isPending = (entry) => PENDING.includes(stateOf(entry));

// src/core/formats/camt/sums.ts
var Unreadable = class extends Error {
  constructor(failure) {
    super(failure.code);
    this.failure = failure;
  }
  failure;
};
function signedSum(node) {
  const amount = at(node, "Amt");
  const code = amount?.attributes.Ccy ?? "";
  const currency = currencyOf(code);
  if (!currency) throw new Unreadable({ code: "currency.unknown", text: code });
  const read = parseAmount(amount?.text ?? "", ".", currency);
  if (!read.ok) throw new Unreadable(read.error);
  const mark = textAt(node, "CdtDbtInd");
  if (mark !== "CRDT" && mark !== "DBIT")
    throw new Unreadable({ code: "field.empty", field: "CdtDbtInd" });
  return { minor: mark === "DBIT" ? -read.value : read.value, currency };
}
var accountAt = (statement) => endOfAccount(
  textAt(statement, "Acct", "Id", "IBAN") ?? textAt(statement, "Acct", "Id", "Othr", "Id") ?? ""
);
var OPENING = ["OPBD", "PRCD"];
var CLOSING = ["CLBD"];
var BETWEEN_PAGES = "ITBD";
var codeOf = (balance) => textAt(balance, "Tp", "CdOrPrtry", "Cd") ?? "";
function balanceOf(statement, codes) {
  const node = allAt(statement, "Bal").find((entry) => codes.includes(codeOf(entry)));
  return node ? signedSum(node) : null;
}
function balancesOf(statement) {
  const opening = balanceOf(statement, OPENING);
  const closing = balanceOf(statement, CLOSING);
  const between = statement.name === "Stmt" ? allAt(statement, "Bal").filter((node) => codeOf(node) === BETWEEN_PAGES) : [];
  const needed2 = [opening, closing].filter((sum) => sum === null).length;
  if (between.length !== needed2) return { opening: minorOf(opening), closing: minorOf(closing) };
  const [first2, last] = [between[0], between.at(-1)];
  return {
    opening: minorOf(opening ?? (first2 ? signedSum(first2) : null)),
    closing: minorOf(closing ?? (last ? signedSum(last) : null))
  };
}
var minorOf = (sum) => sum?.minor ?? null;
var digitsIn = (statement) => digitsOf(at(at(statement, "Bal"), "Amt")?.attributes.Ccy ?? "");
function checkOf2(statement, entries) {
  const { opening, closing } = balancesOf(statement);
  const digits = digitsIn(statement);
  return balanceCheck(
    opening,
    entries.map((entry) => signedSum(entry).minor),
    closing,
    (sum) => decimalOf(sum, digits)
  );
}
function gapOf(statements) {
  const [first2] = statements;
  const digits = first2 ? digitsIn(first2) : 2;
  const own = statements.map((statement) => ({
    account: accountAt(statement),
    ...balancesOf(statement)
  }));
  return statementGap(own, (sum) => decimalOf(sum, digits));
}

// src/core/formats/camt/details.ts
var partOf = (detail, entry) => signedPart(at(detail, "Amt") ?? at(detail, "AmtDtls", "TxAmt", "Amt"), detail, entry);
var orderedOf = (detail, entry) => signedPart(at(detail, "AmtDtls", "InstdAmt", "Amt"), detail, entry);
function signedPart(amount, detail, { digits, currency, sign }) {
  const text2 = amount?.text.trim() ?? null;
  if ((amount?.attributes.Ccy ?? currency) !== currency) return null;
  if (text2 === null || !/^\d{1,15}(?:\.\d{1,5})?$/.test(text2)) return null;
  return (SIGNS[textAt(detail, "CdtDbtInd") ?? ""] ?? sign) * minorOf2(text2, digits);
}
var SIGNS = { CRDT: 1, DBIT: -1 };
var minorOf2 = (text2, digits) => Math.round(Number(text2) * 10 ** digits);
var partyOf = (detail, role) => textAt(detail, "RltdPties", role, "Nm") ?? textAt(detail, "RltdPties", role, "Pty", "Nm");
var payerOf = (detail) => partyOf(detail, "Dbtr") ?? partyOf(detail, "UltmtDbtr") ?? "";
var partiesOf = (detail, sign) => {
  const isBack = at(detail, "RtrInf") !== void 0;
  const isTheirs = sign < 0 !== isBack;
  const sides = isTheirs ? [CREDITOR, DEBTOR] : [DEBTOR, CREDITOR];
  const named = sides.map((roles) => roles.flatMap((role) => partyOf(detail, role) ?? []));
  return [...new Set(named.find((names) => names.length > 0) ?? [])];
};
var DEBTOR = ["Dbtr", "UltmtDbtr"];
var CREDITOR = ["Cdtr", "UltmtCdtr"];
function amountIn(structured) {
  const sum = (name) => textAt(structured, "RfrdDocAmt", name);
  const credit = sum("CdtNoteAmt");
  return sum("RmtdAmt") ?? sum("DuePyblAmt") ?? (credit === null ? null : `-${credit}`);
}
var referencesOf = (detail) => allAt(at(detail, "RmtInf"), "Strd").flatMap((structured) => {
  const discount = textAt(structured, "RfrdDocAmt", "DscntApldAmt") ?? textAt(structured, "RfrdDocAmt", "DscntApldAmt", "Amt");
  const documents = allAt(structured, "RfrdDocInf");
  const amount = documents.length === 1 ? amountIn(structured) : null;
  const named = documents.flatMap((document) => {
    const number = textAt(document, "Nb");
    return number === null ? [] : [{ number, amount, discount }];
  });
  const reference = textAt(structured, "CdtrRefInf", "Ref");
  if (named.length > 0 || reference === null) return named;
  return [{ number: reference, amount: null, discount: null }];
});
function remittanceOf(detail, sign) {
  const written = allAt(at(detail, "RmtInf"), "Ustrd").map((node) => node.text.trim());
  const endToEnd = textAt(detail, "Refs", "EndToEndId") ?? "";
  return [
    ...partiesOf(detail, sign),
    ...written,
    ...referencesOf(detail).map(({ number }) => number),
    ...allAt(at(detail, "RmtInf"), "Strd").flatMap(
      (node) => allAt(node, "AddtlRmtInf").map(({ text: text2 }) => text2.trim())
    ),
    /^(NOTPROVIDED|NONREF)?$/i.test(endToEnd) ? "" : endToEnd,
    textAt(detail, "AddtlTxInf") ?? ""
  ].filter((text2) => text2 !== "").join(" ").slice(0, 500);
}
function remittanceRows(detail, shared, digits) {
  const currency = shared.currency ?? "";
  const own = partOf(detail, { digits, currency, sign: 1 });
  const total = own === null ? shared.total ?? "" : decimalOf(own, digits);
  const trace = textAt(detail, "Refs", "EndToEndId") ?? textAt(detail, "Refs", "AcctSvcrRef") ?? shared.trace ?? "";
  const base = { ...shared, trace, total, payerName: payerOf(detail) };
  const references = referencesOf(detail);
  if (references.length === 0) {
    const written = allAt(at(detail, "RmtInf"), "Ustrd").map((node) => node.text.trim()).join(" ");
    return written === "" ? [] : [{ ...base, number: written.slice(0, 140), amount: total }];
  }
  return references.map(({ number, amount, discount }) => ({
    ...base,
    number,
    amount: amount ?? (references.length === 1 ? total : ""),
    discount: discount ?? ""
  }));
}

// src/core/formats/camt/camt.ts
var MESSAGE = /urn:iso:std:iso:20022:tech:xsd:camt\.05([234])\.\d{3}\.\d{2}/;
var isCamt = (text2) => MESSAGE.test(text2.slice(0, 4e3));
function camtTable(text2) {
  const tree = xmlTree(text2);
  if (!tree.ok) return tree;
  const message = MESSAGE.exec(tree.value.space)?.[1];
  if (message === void 0) return fail("file.xml", { name: tree.value.name });
  const body = tree.value.children[0];
  const statements = ["Stmt", "Ntfctn", "Rpt"].flatMap((name) => allAt(body, name));
  if (statements.length === 0) return fail("file.no_rows");
  try {
    return message === "4" ? noticeTable(statements) : statementTable(statements);
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, error: error.failure };
    throw error;
  }
}
function statementTable(statements) {
  const rows = [];
  const proofs = [];
  let off = null;
  for (const statement of statements) {
    const account = accountAt(statement);
    const entries = allAt(statement, "Ntry");
    for (const entry of entries)
      for (const fields of linesOf(entry))
        rows.push({
          line: rows.length + 1,
          fields: { account, ...fields },
          aside: isPending(entry) ? "not_yet" : null,
          doubt: isBooked(entry) ? sideDoubt(entry) : "own_state",
          moment: bookedAt(entry)
        });
    const check = checkOf2(statement, entries.filter(isBooked));
    if (check.proof) proofs.push(check.proof);
    proofs.push(...pageOf(statement));
    off ??= check.off ?? miscounted(statement, entries);
  }
  off ??= gapOf(statements);
  const span = spanOf(
    statements.flatMap(
      (statement) => ["FrDtTm", "ToDtTm"].map((name) => (textAt(statement, "FrToDt", name) ?? "").slice(0, 10))
    )
  );
  return rows.length === 0 ? fail("file.no_rows") : ok(agreedTable("bank", rows, { proofs, off, span }));
}
var sideDoubt = (entry) => at(entry, "Amt")?.text.trim().startsWith("-") === true ? "wrong_side" : null;
function pageOf(statement) {
  const page = textAt(statement, "StmtPgntn", "PgNb");
  const isLast = textAt(statement, "StmtPgntn", "LastPgInd") === "true";
  if (page === null || isLast && Number(page) === 1) return [];
  return [`this is page ${page} of the statement, ${isLast ? "the last one" : "and more follow"}`];
}
function miscounted(statement, entries) {
  const said = textAt(statement, "TxsSummry", "TtlNtries", "NbOfNtries");
  const counts = [entries.length, entries.filter(isBooked).length];
  return said === null || counts.includes(Number(said)) ? null : `the statement says that it has ${said} entries, and has ${entries.length}`;
}
function linesOf(entry) {
  const { minor: minor2, currency } = signedSum(entry);
  const digits = digitsOf(currency);
  const reference = textAt(entry, "AcctSvcrRef") ?? "";
  const shared = {
    postedOn: bookedOn(entry),
    currency
  };
  const details = allAt(entry, "NtryDtls").flatMap((node) => allAt(node, "TxDtls"));
  const parts2 = partsOf(details, { digits, currency, sign: Math.sign(minor2) }, minor2);
  const words = textAt(entry, "AddtlNtryInf") ?? "";
  if (parts2 !== null)
    return details.map((detail, nth) => ({
      ...shared,
      id: textAt(detail, "Refs", "AcctSvcrRef") ?? (reference && `${reference}/${nth + 1}`),
      amount: decimalOf(parts2[nth] ?? 0, digits),
      description: remittanceOf(detail, minor2) || words
    }));
  return [
    {
      ...shared,
      id: reference,
      amount: decimalOf(minor2, digits),
      description: [...details.map((detail) => remittanceOf(detail, minor2)), details.length === 0 ? words : ""].filter((text2) => text2 !== "").join(" ").slice(0, 500) || words
    }
  ];
}
function partsOf(details, entry, whole2) {
  if (details.length < 2) return null;
  for (const sumOf3 of [partOf, orderedOf]) {
    const parts2 = details.flatMap((detail) => sumOf3(detail, entry) ?? []);
    const comes = parts2.reduce((total, part) => total + part, 0) === whole2;
    if (parts2.length === details.length && comes) return parts2;
  }
  return null;
}
function noticeTable(statements) {
  const rows = statements.flatMap((statement) => allAt(statement, "Ntry")).filter((entry) => textAt(entry, "CdtDbtInd") === "CRDT").flatMap((entry) => {
    const { minor: minor2, currency } = signedSum(entry);
    const digits = digitsOf(currency);
    const shared = {
      paidOn: bookedOn(entry),
      currency,
      trace: textAt(entry, "AcctSvcrRef") ?? "",
      total: decimalOf(minor2, digits)
    };
    return allAt(entry, "NtryDtls").flatMap((node) => allAt(node, "TxDtls")).flatMap((detail) => remittanceRows(detail, shared, digits));
  });
  return rows.length === 0 ? fail("file.no_advice") : ok(
    agreedTable(
      "remittance",
      rows.map((fields, at2) => ({ line: at2 + 1, fields }))
    )
  );
}

// src/core/formats/xml/plainText.ts
var CDATA = { begins: "<![CDATA[", ends: "]]>" };
var COMMENT = { begins: "<!--", ends: "-->" };
function plainText(text2) {
  if (!text2.includes("<!")) return text2;
  const parts2 = [];
  let from = 0;
  for (let at2 = text2.indexOf("<!"); at2 >= 0; at2 = text2.indexOf("<!", at2 + 2)) {
    const of = [CDATA, COMMENT].find(({ begins }) => text2.startsWith(begins, at2));
    if (of === void 0 || at2 < from) continue;
    const end = text2.indexOf(of.ends, at2 + of.begins.length);
    if (end < 0) break;
    const within = text2.slice(at2 + of.begins.length, end);
    parts2.push(text2.slice(from, at2), of === CDATA ? escaped(within) : linesOf2(within));
    from = end + of.ends.length;
  }
  return parts2.length === 0 ? text2 : parts2.join("") + text2.slice(from);
}
var escaped = (text2) => text2.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");
var linesOf2 = (text2) => "\n".repeat(text2.split("\n").length - 1);

// src/core/formats/camt/masked.ts
var TAG = /<(\/?)(?:[\w.-]{1,60}:)?(\w{1,60})(?:\s[^<>]{0,500})?>([^<]*)/g;
var ACCOUNT = /Acct$/;
var NUMBERS = /* @__PURE__ */ new Set(["IBAN", "Id"]);
var CARD = "PAN";
function maskedCamt(text2) {
  let within = 0;
  const kept = plainText(text2).replace(
    TAG,
    (whole2, end, name, behind) => {
      if (ACCOUNT.test(name)) within = Math.max(0, within + (end === "" ? 1 : -1));
      const isNumber = end === "" && (name === CARD || within > 0 && NUMBERS.has(name));
      return isNumber ? whole2.slice(0, whole2.length - behind.length) + writtenOver(behind) : whole2;
    }
  );
  return maskedNumbers(kept);
}

// src/core/formats/camt/index.ts
var camt = {
  name: "camt",
  recognizes: isCamt,
  read: camtTable,
  masked: maskedCamt
};

// src/core/formats/csv/delimiter.ts
function delimiterOf(text2) {
  const said = /^sep=(.)\r?\n/i.exec(text2)?.[1];
  if (said !== void 0) return said;
  const lines = [];
  let counts = {};
  let quoted = false;
  for (const letter of text2.slice(0, MOST_LOOKED_AT2)) {
    if (letter === '"') quoted = !quoted;
    else if (!quoted && letter === "\n") {
      lines.push(counts);
      counts = {};
    } else if (!quoted && DELIMITERS.includes(letter)) counts[letter] = (counts[letter] ?? 0) + 1;
    if (lines.length >= 40) break;
  }
  lines.push(counts);
  return parts(lines) ?? ",";
}
var DELIMITERS = [",", ";", "	", "|", "^", "~"];
var MOST_LOOKED_AT2 = 4e4;
function partsMost(lines) {
  const partedBy = (letter) => lines.filter((counts) => (counts[letter] ?? 0) > 0).length;
  return DELIMITERS.filter((letter) => partedBy(letter) > 0).sort(
    (a, b) => partedBy(b) - partedBy(a)
  )[0];
}
function parts(lines) {
  const wide = lines.find((counts) => Object.values(counts).some((count) => count >= 2));
  if (!wide) return partsMost(lines);
  return DELIMITERS.filter((letter) => (wide?.[letter] ?? 0) > 0).sort(
    (a, b) => (wide?.[b] ?? 0) - (wide?.[a] ?? 0)
  )[0];
}

// src/core/formats/csv/head.ts
var KNOWN = new Set(
  Object.values(FIELDS).flatMap((fields) => fields.flatMap(({ names }) => names.map(headWords)))
);
var MOST_ABOVE = 40;
var isFact = (cell) => /^[-+($€£]?\s?\d/.test(cell.trim());
function namesIn(cells) {
  if (cells.some(isFact)) return 0;
  return cells.filter((cell) => KNOWN.has(headWords(cell))).length;
}
var DAY = /^(?:\d{4}[-/.]\d\d[-/.]\d\d|20\d{6}|\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|\d{1,2}[- ][a-z]{3}[- ]\d{2,4})(?:[ t]\d\d:\d\d\S*)?$/i;
var SUM = /^[-+(]?[$€£]?\s?-?[\d.,']{0,12}\d[.,]\d\d\)?\s?(?:[-+]|cr|dr|[cdhs])?$/i;
var isValue = (cell) => [DAY, SUM].some((form) => form.test(cell.trim()));
function headAt(records) {
  const [first2 = []] = records;
  let [best, at2] = [Math.max(1, namesIn(first2)), 0];
  for (const [index, cells] of records.slice(0, MOST_ABOVE).entries()) {
    const names = namesIn(cells);
    if (names > best || names === best && isSummary(records, at2, index))
      [best, at2] = [names, index];
  }
  if (isSecondRow(records, at2 + 1)) return at2 + 1;
  return at2 === 0 && first2.filter(isValue).length > 1 ? NO_HEAD : at2;
}
function isSecondRow(records, at2) {
  const [above = [], here = [], below = []] = records.slice(at2 - 1, at2 + 2);
  const filled3 = here.filter((cell) => cell.trim() !== "");
  const isOver = above.some((name, place) => name.trim() !== "" && above.indexOf(name) !== place);
  const areWords = filled3.length > 1 && filled3.every((cell) => !/\d/.test(cell));
  const isOther = here.some((name, place) => name !== above[place]);
  return isOver && areWords && isOther && namesIn(here) > 1 && below.some(isFact);
}
var isColumnName = (name) => KNOWN.has(headWords(name));
function isSummary(records, at2, next) {
  const isFilled2 = (cells) => cells.some((cell) => cell.trim() !== "");
  const [here, there] = [records[at2] ?? [], records[next] ?? []];
  if (here.every((name, place) => name === there[place])) return false;
  const between = records.slice(at2 + 1, next).filter(isFilled2).length;
  const below = records.slice(next + 1, next + 1 + MOST_ABOVE).filter(isFilled2).length;
  return between > 0 && between <= 2 && below > between;
}
var NO_HEAD = -1;

// src/core/formats/csv/sheets.ts
var SHEET_MARK = "\u241E";
var HIDDEN_MARK = "\u241F";
var FROM_1904_MARK = "\u2420";
function factsAside(records) {
  const at2 = records.findLastIndex(([mark2 = ""]) => mark2 !== "");
  const [mark, ...numbers] = records[at2] ?? [];
  if (mark === HIDDEN_MARK)
    return { ...factsAside(records.slice(0, at2)), hidden: numbers.map(Number) };
  return mark === FROM_1904_MARK ? { records: records.slice(0, at2), hidden: [], isFrom1904: true } : { records: [...records], hidden: [], isFrom1904: false };
}
var factRecords = ({ hidden, isFrom1904 }) => [
  ...isFrom1904 ? [[FROM_1904_MARK]] : [],
  ...hidden.length > 0 ? [[HIDDEN_MARK, ...hidden.map(String)]] : []
];
var isMark = (record) => record?.[0] === SHEET_MARK;
function sheetsOf(records) {
  if (!isMark(records[0])) return [];
  const marks = records.flatMap((record, at2) => isMark(record) ? [at2] : []);
  return marks.map((at2, nth) => ({
    name: records[at2]?.[1] ?? "",
    from: at2 + 1,
    to: marks[nth + 1] ?? records.length
  }));
}
function listAround(records, at2) {
  const own = sheetsOf(records).find(({ from, to }) => at2 >= from && at2 < to);
  return own ?? { from: 0, to: records.length };
}
function headWithin(records) {
  const [first2] = sheetsOf(records);
  return first2 ? headOfSheet(records, first2) : headAt(records);
}
var headOfSheet = (records, { from, to }) => from + Math.max(0, headAt(records.slice(from, to)));

// src/core/formats/csv/masked.ts
var OF_A_BANK = /\b(?:bank|payer|payee|sender|recipient|receiver|remitter|originator|beneficiary|counter ?party)(?:'?s)? ?(?:bank ?)?(?:account|acct|a\/c)\b(?! ?(?:name|type|holder))|\biban\b|\brdfi account\b|\bauftragskonto\b|\btegenrekening\b/i;
var OF_AN_ACCOUNT = new Set(
  FIELDS.bank.find(({ field }) => field === "account")?.names ?? []
);
var BESIDE_A_BANK = /\b(?:routing|aba|sort ?code|bic|swift|blz|bankleitzahl|bsb|ifsc|transit)\b/i;
var OF_A_STATEMENT = /\b(?:balance|debits?|credits?|withdrawals?|deposits?|saldo|solde|soll|haben|valuta|value date|post(?:ed|ing) ?(?:on|date)|buchung\w*|description|narrative|payee|transaction date)\b/i;
var OF_A_LEDGER = /\b(?:customer|client|invoice|document|voucher|order|due|terms|bill(?:ing|ed)?|aging|kunde\w*|rechnung\w*|facture|cliente|fattura|factura|klant|factuur)\b/i;
var MOST_BEFORE_HEAD = 60;
var NUMBERS2 = {
  sure: /(?<!\d)\d(?:[ -]?\d){5,39}/g,
  likely: /(?<!\d)\d(?:[ -]?\d){7,39}/g
};
function maskedCsv(text2) {
  if (!/acc(?:oun)?t|a\/c|konto|compte|cuenta|conto|rekening|conta|iban/i.test(text2.slice(0, 4e4)))
    return maskedNumbers(text2);
  const parts2 = text2.split(/(\r\n|\n|\r)/);
  const delimiter = delimiterOf(text2);
  const above = linesAbove(parts2, delimiter);
  let columns = [];
  let [seen, before] = [0, BEGIN];
  const kept = parts2.map((line, at2) => {
    if (at2 % 2 === 1) return line;
    if (line.startsWith(SHEET_MARK)) [columns, seen] = [[], 0];
    seen += 1;
    if (above.has(at2)) return line.replace(NAMED_ABOVE, (_, ...found) => over(found));
    if (columns.length === 0 && seen > MOST_BEFORE_HEAD) return line;
    const { cells, end } = cellsOf(line, delimiter, before);
    const first2 = before.at;
    before = end;
    if (columns.length === 0) columns = columnsOf(cells);
    return cells.map((cell, nth) => withoutNumber(cell, first2 + nth, columns)).join(delimiter);
  });
  return maskedNumbers(kept.join(""));
}
var NAMED_ABOVE = /(\b(?:accounts?|acct|a\/c|konto\w{0,10}|compte|cuenta|conto|rekening\w{0,10}|conta)\b[^\d\n]{0,40})(?!(?:19|20)\d\d[ -]?\d\d[ -]?\d\d\b|\d\d[ -]\d\d[ -]\d{4}\b)(\d(?:[ -]?\d){7,39})/gi;
var over = ([before = "", number = ""]) => before + writtenOver(number);
function linesAbove(parts2, delimiter) {
  const found = /* @__PURE__ */ new Set();
  let waiting = [];
  for (const [at2, line] of parts2.entries()) {
    if (at2 % 2 === 1) continue;
    if (line.startsWith(SHEET_MARK)) waiting = [];
    if (waiting === null || waiting.length >= MOST_BEFORE_HEAD) continue;
    const head2 = headIn(cellsOf(line, delimiter, BEGIN).cells);
    if (!head2?.isLikely && !head2?.isSure) waiting.push(at2);
    else {
      for (const one of waiting) found.add(one);
      waiting = null;
    }
  }
  return found;
}
var BEGIN = { at: 0, isQuoted: false };
function cellsOf(line, delimiter, { at: at2, isQuoted: within }) {
  if (!within && !line.includes('"')) return { cells: line.split(delimiter), end: BEGIN };
  const cells = [];
  let [from, isQuoted] = [0, within];
  for (let here = 0; here < line.length; here += 1) {
    const sign = line[here];
    if (sign === delimiter && !isQuoted) {
      cells.push(line.slice(from, here));
      from = here + 1;
    }
    if (sign !== '"') continue;
    const first2 = here;
    while (line[here + 1] === '"') here += 1;
    if ((here - first2) % 2 === 0) isQuoted = !isQuoted && line.slice(from, first2).trim() === "";
  }
  cells.push(line.slice(from));
  return { cells, end: isQuoted ? { at: at2 + cells.length - 1, isQuoted } : BEGIN };
}
function headIn(cells) {
  const heads = cells.map((cell) => cell.replace(/["*]/g, "").replace(/_/g, " ").trim());
  if (heads.filter((head2) => head2 !== "").length < 3 || heads.some((head2) => /\d{3}/.test(head2)))
    return null;
  const has = (words) => heads.some((head2) => words.test(head2));
  return {
    heads,
    isSure: has(BESIDE_A_BANK),
    isLikely: has(OF_A_STATEMENT) && !has(OF_A_LEDGER)
  };
}
function columnsOf(cells) {
  const { heads = [], isSure = false, isLikely = false } = headIn(cells) ?? {};
  return heads.flatMap((head2, at2) => {
    if (OF_A_BANK.test(head2) || isSure && OF_AN_ACCOUNT.has(plainWords(head2)))
      return [{ at: at2, number: NUMBERS2.sure }];
    return isLikely && OF_AN_ACCOUNT.has(plainWords(head2)) ? [{ at: at2, number: NUMBERS2.likely }] : [];
  });
}
function withoutNumber(cell, at2, columns) {
  const column2 = columns.find((one) => one.at === at2);
  return column2 ? cell.replace(column2.number, writtenOver) : cell;
}

// src/core/formats/csv/table.ts
import Papa from "papaparse";

// src/core/formats/csv/fixedWidth.ts
var FEWEST_LINES = 2;
var FEWEST_COLUMNS = 3;
var MOST_LOOKED_AT3 = 2e4;
var APART = / {2,}/;
var DAY2 = /(?:^|\s)(?:\d{1,4}[/.-]\d{1,2}[/.-]\d{2,4}|\d{1,2}[- ][a-z]{3}[- ]\d{2,4})(?=\s|$)/i;
var SUM2 = /\d[.,]\d\d(?:\)|-|\s?(?:cr|dr))?(?=\s|$)/i;
var STROKES = /^[-=_ ]+$/;
var DELIMITED = /[;\t|]|,.*,/;
function printedRecords(text2) {
  const looked = linesOf3(text2.slice(0, MOST_LOOKED_AT3));
  if (looked.filter(isLine).length < FEWEST_LINES) return null;
  const lines = linesOf3(text2);
  const facts = lines.flatMap((line, at2) => isLine(line) ? [at2] : []);
  const [first2 = 0] = facts;
  const head2 = headAbove(lines, first2);
  if (facts.length < FEWEST_LINES || head2 === null || DELIMITED.test(head2)) return null;
  const columns = columnsOf2(facts.map((at2) => lines[at2] ?? ""));
  if (columns.length < FEWEST_COLUMNS) return null;
  const page = new Set(lines.slice(0, lines.indexOf(head2)).map(shapeOf));
  return lines.map((line, at2) => {
    if (line === head2) return placed2(columns, pieces(line, /\s+/));
    if (at2 < first2 && isLabelled(line)) return line.trim().split(APART);
    const isOf = at2 >= first2 || STROKES.test(line);
    const isApart = APART.test(line.trim()) || /^ {2}/.test(line);
    return isOf && isApart && !page.has(shapeOf(line)) ? placed2(columns, pieces(line, APART)) : [line.trim()];
  });
}
var shapeOf = (line) => line.trim().replace(/\d+/g, "9");
var linesOf3 = (text2) => text2.split(/\r\n|\n|\r/).map((line) => line.trimEnd());
var isLine = (line) => DAY2.test(line) && SUM2.test(line) && line.trim().split(APART).length >= FEWEST_COLUMNS && !isLabelled(line);
var isLabelled = (line) => line.trim().split(APART).every((piece) => new RegExp("^\\p{L}[\\p{L} ]{1,30}:\\s*\\S", "u").test(piece));
var headAbove = (lines, first2) => lines.slice(0, first2).filter((line) => !STROKES.test(line)).findLast((line) => line.trim().split(APART).length >= FEWEST_COLUMNS) ?? null;
function columnsOf2(lines) {
  const width = lines.reduce((most, { length }) => Math.max(most, length), 0);
  const isBlank = (at2) => lines.every((line) => (line[at2] ?? " ") === " ");
  const columns = [];
  for (let at2 = 0; at2 < width; at2 += 1) {
    if (isBlank(at2)) continue;
    const last = columns.at(-1);
    if (last !== void 0 && at2 - last.to < 2) last.to = at2 + 1;
    else columns.push({ from: at2, to: at2 + 1 });
  }
  return columns;
}
function pieces(line, apart) {
  let from = 0;
  return line.split(apart).flatMap((text2) => {
    const at2 = line.indexOf(text2, from);
    from = at2 + text2.length;
    return text2 === "" ? [] : [{ text: text2, from: at2, to: from }];
  });
}
function placed2(columns, all) {
  const cells = columns.map(() => []);
  for (const piece of all) {
    const distances = columns.map((column2) => apartBy(column2, piece));
    cells[distances.indexOf(Math.min(...distances))]?.push(piece.text);
  }
  return cells.map((texts) => texts.join(" "));
}
var apartBy = (column2, piece) => Math.max(column2.from, piece.from) - Math.min(column2.to, piece.to);

// src/core/formats/csv/headers.ts
function headersOf(records, at2) {
  const names = (records[at2] ?? []).map((header) => header.trim());
  const lines = records.slice(at2 + 1);
  const width = at2 === NO_HEAD ? lines.reduce((most, { length }) => Math.max(most, length), 0) : names.length;
  const isUsed = (place) => lines.some((cells) => (cells[place] ?? "").trim() !== "");
  return differentNames(
    Array.from(
      { length: width },
      (_, place) => (names[place] ?? "") === "" && isUsed(place) ? `Column ${place + 1}` : names[place] ?? ""
    ),
    labelsOver(records[at2 - 1] ?? [])
  );
}
function differentNames(names, labels) {
  const isTwice = (name) => names.indexOf(name) !== names.lastIndexOf(name);
  const labelled = names.map((name, at2) => {
    const whole2 = `${labels[at2] ?? labels.at(-1) ?? ""} ${name}`.trim();
    const isPart = isTwice(name) || labels.length > 0 && saysMore(whole2, name);
    return name !== "" && isPart ? whole2 : name;
  });
  return labelled.map((name, at2) => {
    const nth = labelled.slice(0, at2).filter((before) => before === name).length;
    return name === "" || nth === 0 ? name : `${name} (${nth + 1})`;
  });
}
var saysMore = (whole2, name) => isColumnName(whole2) && !isColumnName(name);
function labelsOver(cells) {
  const words = cells.filter((cell) => cell.trim() !== "");
  if (words.length < 2 || words.some((cell) => /\d/.test(cell))) return [];
  let label = "";
  return cells.map((cell) => label = cell.trim() || label);
}

// src/core/formats/csv/factsAbove.ts
var OF_PAYMENT = /^(?:payment date|paid on|date paid|pay date|remittance date|check date|cheque date|eft date|eft amount|payment (?:number|no|reference|ref|id)|(?:check|cheque|eft|ach|trace) (?:(?:check|cheque|eft) )?(?:number|no|reference|ref)|eft|reference|trace|payer|payor|paid by|remitter|payment amount|payment total|total paid|check amount|cheque amount)$/;
var SUM3 = /^(?:amount|total)$/;
var DOCUMENT = /\b(?:invoice|document|bill|your ref|your reference|rechnung|facture|factura)\b/;
var OF_OTHERS = /\b(?:due|balance|fees?)\b/;
var LONGEST = 60;
function withFacts(list, above) {
  const heads = list.headers.map(headWords);
  if (!heads.some((head2) => DOCUMENT.test(head2)) || heads.some((head2) => OF_OTHERS.test(head2)))
    return list;
  const facts = above.flatMap(factsIn).filter(({ head: head2 }, at2, all) => all.findIndex((other) => other.head === head2) === at2).filter(({ head: head2 }) => !heads.includes(headWords(head2)));
  if (facts.length === 0) return list;
  const values = facts.map(({ value }) => value);
  return {
    headers: [...list.headers, ...facts.map(({ head: head2 }) => head2)],
    rows: list.rows.map((row) => {
      const isLine2 = filled(row.cells).length > 1 && row.cells[0] !== list.headers[0];
      const short2 = Array(Math.max(0, list.headers.length - row.cells.length)).fill("");
      return isLine2 ? { ...row, cells: [...row.cells, ...short2, ...values] } : row;
    })
  };
}
function factsIn(cells) {
  const all = filled(cells);
  const areAll = all.length > 1 && all.every((cell) => WITH_COLON.test(cell));
  return areAll ? all.flatMap((cell) => factIn([cell])) : factIn(cells);
}
function factIn(cells) {
  const [first2 = "", ...others] = filled(cells);
  const [label = first2, inOne] = others.length === 0 ? partedIn(first2) : [first2];
  const value = inOne ?? (others.length === 1 ? others[0] : void 0);
  if (value === void 0 || value.length > LONGEST) return [];
  const bare2 = label.replace(/:\s*$/, "");
  const words = headWords(bare2);
  if (SUM3.test(words)) return [{ head: "Payment amount (above)", value }];
  return OF_PAYMENT.test(words) ? [{ head: `${bare2} (above)`, value }] : [];
}
var partedIn = (cell) => (WITH_COLON.exec(cell) ?? BEFORE_DIGITS.exec(cell))?.slice(1) ?? [];
var WITH_COLON = /^([^:\d]{3,40}):\s{1,5}([^:]{1,60})$/;
var BEFORE_DIGITS = /^([^:\d]{3,40})\s(\d[\d./-]{2,20})$/;
var filled = (cells) => cells.map((cell) => cell.trim()).filter((cell) => cell !== "");

// src/core/formats/csv/headings.ts
var HEADING = "Heading above";
var FEWEST = 3;
function withHeadings(list, above) {
  const heads = headsAgain(list);
  const others = heads.size === 0 ? /* @__PURE__ */ new Set() : headsOfOthers(list);
  for (const line of others) heads.add(line);
  const last = above.filter((text2) => text2.trim() !== "").at(-1) ?? "";
  const isOfOne = heads.size === 0 && OF_ONE.test(last.trim()) && isOpenItems(list);
  const isNamed2 = isOfOne || heads.size === 0 && isGrouped(list);
  if (heads.size === 0 && !isNamed2) return list;
  let name = isNamed2 && !isOfOne ? "" : bareName(last);
  let before = 0;
  const rows = list.rows.map((row) => {
    const isName = isNamed2 ? isNameOf(row, isOfOne) : heads.has(row.line);
    if (isName || isNamed2 && endsGroup(row, name)) name = "";
    const isOther = others.has(before);
    before = row.line;
    if (isOther) return { ...row, cells: [...list.headers, ""] };
    const under = isHead(list, row) || filled2(row.cells) === 1 ? "" : name;
    const said = row.cells.concat(Array(short(list, row)).fill(""), under);
    if (isName) name = bareName(first(row));
    return { ...row, cells: said };
  });
  return { headers: [...list.headers, HEADING], rows };
}
var isGroupName = ({ headers }, { cells }) => headers.at(-1) === HEADING && filled2(cells) === 1 && (cells[0] ?? "").trim() !== "";
function headsAgain(list) {
  return new Set(
    list.rows.flatMap((row, at2) => {
      const next = list.rows[at2 + 1];
      return next && isHead(list, next) && isHeading(row) ? [row.line] : [];
    })
  );
}
function headsOfOthers(list) {
  return new Set(
    list.rows.flatMap((row, at2) => {
      const next = list.rows[at2 + 1];
      return next && isHeading(row) && isLikeHead(list, next) ? [row.line] : [];
    })
  );
}
var isLikeHead = ({ headers }, { cells }) => cells.every((cell) => !/\d/.test(cell)) && headers.filter((head2, at2) => head2 !== "" && (cells[at2] ?? "").trim() === head2).length >= 2;
var isHead = ({ headers }, { cells }) => cells[0] === headers[0] && headers.every((head2, at2) => (cells[at2] ?? "").trim() === head2);
var OF_ONE = /^(?:customer|client|debtor|kunde|cliente?|debiteur)\s*:\s*(?=\S)/i;
var bareName = (text2) => text2.trim().replace(OF_ONE, "");
var isNameOf = (row, isOfOne) => isHeading(row) && (!isOfOne || OF_ONE.test(first(row)));
var DUE = /\b(?:due|overdue|maturity|f[aä]llig\w*|[eé]ch[eé]ance|vencimiento|scadenza|vervaldatum)\b/i;
var WHOSE = /\b(?:customer|client|debtor|account|name|company|bill(?:ed)? to|kunde\w*|cliente?|debiteur)\b/i;
var isOpenItems = ({ headers }) => headers.some((head2) => DUE.test(head2)) && !headers.some((head2) => WHOSE.test(head2));
function isGrouped({ rows, headers }) {
  const [top] = rows;
  if (!top || !isHeading(top) || headers.length < FEWEST) return false;
  const isTotal = (cells) => cells.some((cell) => TOTAL.test(cell));
  const lines = new Set(
    rows.filter(({ cells }) => filled2(cells) >= FEWEST && !isTotal(cells)).map(first)
  );
  const names = rows.filter(isHeading).map(first);
  if (lines.size === 0 || lines.has("") || names.some((name) => lines.has(name))) return false;
  const areFacts = [...lines].every((cell) => /^\d|^[^\s\d]*\d\S*$/.test(cell));
  return areFacts || rows.some((row) => endsGroup(row, first(top)));
}
var isHeading = (row) => filled2(row.cells) === 1 && new RegExp("^\\p{L}|^\\d+ ?[-\u2013+] ?\\d* ?\\p{L}|^\\d+ \\p{L}", "u").test(first(row));
var TOTAL = /\b(?:sub ?)?(?:total|totals|summe|totaal|totale)\b/i;
var endsGroup = (row, name) => name !== "" && first(row).includes(name) && TOTAL.test(first(row).replace(name, " "));
var first = ({ cells }) => (cells[0] ?? "").trim();
var short = ({ headers }, { cells }) => Math.max(0, headers.length - cells.length);
var filled2 = (cells) => cells.filter((cell) => cell.trim() !== "").length;

// src/core/formats/csv/longLine.ts
var MOST_LETTERS = 1e5;
function longLine(text2) {
  let line = 1;
  for (let from = 0; from < text2.length; line += 1) {
    const end = text2.indexOf("\n", from);
    const to = end < 0 ? text2.length : end;
    if (to - from > MOST_LETTERS) return line;
    from = to + 1;
  }
  return null;
}

// src/core/formats/csv/spacedQuotes.ts
var CELL = /"(?:[^"]|"")*"/g;
var SPACED = /^"(?:[^"]|"")*"(?:, +"(?:[^"]|"")*")+\r?$/;
var MOST_LOOKED_AT4 = 4e4;
function withoutBlanks(text2) {
  if (!/", +"/.test(text2.slice(0, MOST_LOOKED_AT4))) return text2;
  let isRecord = true;
  return text2.split("\n").map((line) => {
    const isSpaced = isRecord && SPACED.test(line);
    isRecord &&= isSpaced || !line.includes('"');
    return isSpaced ? (line.match(CELL) ?? []).join(",") : line;
  }).join("\n");
}

// src/core/formats/csv/table.ts
var MOST_COLUMNS = 150;
var MOST_ROWS = 5e5;
var MOST_CELLS = 8e6;
function recordsOf2(text2) {
  const bare2 = text2.charCodeAt(0) === 65279 ? text2.slice(1) : text2;
  if (bare2.trim() === "") return fail("file.empty");
  const long = longLine(bare2);
  if (long !== null) return fail("file.line", { line: long, most: MOST_LETTERS });
  const printed = printedRecords(bare2);
  const delimiter = printed ? "	" : delimiterOf(bare2);
  const parsed = printed ? ok(printed) : parsedWithin(withoutBlanks(bare2), delimiter);
  if (!parsed.ok) return parsed;
  const { records, ...facts } = factsAside(parsed.value);
  return ok({ delimiter, records, at: headWithin(records), facts });
}
function readTable(text2) {
  const found = recordsOf2(text2);
  if (!found.ok) return found;
  const { records, at: at2, facts } = found.value;
  const under = tableUnder(records, at2);
  const table = under.ok ? ok({ ...under.value, ...factsIn2(facts) }) : under;
  const sheets = sheetsOf(records).map((sheet) => {
    const head2 = headOfSheet(records, sheet);
    const lines = records.slice(head2 + 1, sheet.to).filter(isFilled).length;
    return { name: sheet.name, headLine: head2 + 1, lines };
  });
  return table.ok && sheets.length > 0 ? ok({ ...table.value, sheets }) : table;
}
var factsIn2 = ({ hidden, isFrom1904 }) => ({
  ...hidden.length > 0 ? { hidden } : {},
  ...isFrom1904 ? { isFrom1904 } : {}
});
function headedAt(table, line) {
  const { records } = table;
  if (!records || line === table.headLine || line < 0 || line >= records.length) return table;
  const headed = tableUnder(records, line - 1);
  return headed.ok ? { ...table, ...headed.value } : table;
}
function tableUnder(records, at2) {
  const { from, to } = listAround(records, at2);
  const list = to === records.length ? records : records.slice(0, to);
  const headers = headersOf(list, at2);
  if (headers.length > MOST_COLUMNS)
    return fail("file.columns", { count: headers.length, most: MOST_COLUMNS });
  if (at2 !== NO_HEAD && (records[at2] ?? []).every((name) => name.trim() === ""))
    return fail("file.headers", { twice: "" });
  const beside = records.slice(from, Math.max(from, at2));
  const above = beside.map((cells) => cells.join(" "));
  const rows = list.map((cells, index) => ({ line: index + 1, cells })).slice(at2 + 1).filter(({ cells }) => isFilled(cells));
  return rows.length === 0 ? fail("file.no_rows") : ok({
    headLine: at2 + 1,
    above,
    records,
    ...withHeadings(withFacts({ headers, rows }, beside), above)
  });
}
var isFilled = (cells) => cells.some((cell) => cell.trim() !== "");
var isText = (cell) => cell.startsWith('="') && cell.endsWith('"');
var bareText = (cell) => isText(cell) ? cell.slice(2, -1) : cell;
function parsedWithin(text2, delimiter) {
  const rows = [];
  let cells = 0;
  let problem = null;
  Papa.parse(text2, {
    delimiter,
    step: ({ data, errors }, parser) => {
      cells += data.length;
      if (errors.some(({ type }) => type === "Quotes"))
        problem = fail("file.quotes", { line: rows.length + 1 });
      else if (rows.length > MOST_ROWS) problem = fail("file.rows", { most: MOST_ROWS });
      else if (cells > MOST_CELLS) problem = fail("file.cells", { most: MOST_CELLS });
      if (problem) parser.abort();
      else rows.push(data.some(isText) ? data.map(bareText) : data);
    }
  });
  return problem ?? ok(rows);
}

// src/core/formats/csv/index.ts
var csv = {
  name: "csv",
  recognizes: () => true,
  read: readTable,
  masked: maskedCsv
};

// src/core/formats/markup/index.ts
var markup = {
  name: "markup",
  recognizes: (text2) => /^\s*<[?!a-z]/i.test(text2.slice(0, 200)),
  read: (text2) => {
    const head2 = text2.slice(0, 4e3);
    if (/urn:schemas-microsoft-com:office:spreadsheet/.test(head2)) return fail("file.xml_sheet");
    if (/<(?:!doctype html|html|table|head)\b/i.test(head2)) return fail("file.html");
    if (/urn:un:unece:uncefact:data:standard:CrossIndustryInvoice/.test(head2))
      return fail("file.cii");
    const message = /urn:iso:std:iso:20022:tech:xsd:([a-z]{4}\.\d{3})/.exec(head2)?.[1];
    if (message !== void 0) return fail("file.iso20022", { name: message });
    return fail("file.xml", { name: /<([\w:.-]{1,60})/.exec(head2)?.[1] ?? "XML" });
  },
  masked: maskedNumbers
};

// src/core/formats/mt940/sums.ts
function balanceOf2(text2) {
  const match = /^([CD])(\d{6})([A-Z]{3})([\d,]{1,16})/.exec(text2);
  if (!match) return null;
  const currency = match[3] ?? "";
  const minor2 = minorOf3(match[4] ?? "", currency);
  return minor2 === null ? null : {
    minor: match[1] === "D" ? -minor2 : minor2,
    currency,
    on: iso(match[2] ?? "")
  };
}
function minorOf3(text2, currency) {
  const match = /^(\d{1,12}),(\d{0,3})$/.exec(text2);
  const digits = digitsOf(currency);
  if (!match || /[1-9]/.test((match[2] ?? "").slice(digits))) return null;
  return Number(`${match[1] ?? "0"}${(match[2] ?? "").slice(0, digits).padEnd(digits, "0")}`);
}
var iso = (day) => `20${day.slice(0, 2)}-${day.slice(2, 4)}-${day.slice(4, 6)}`;

// src/core/formats/mt940/controls.ts
function controlOf(tag, text2) {
  const match = /^90([CD])#(\d{1,5})([A-Z]{3})([\d,]{1,16})/.exec(`${tag}#${text2}`);
  const sum = match && minorOf3(match[4] ?? "", match[3] ?? "");
  return match && sum !== null ? { way: match[1] === "C" ? 1 : -1, count: Number(match[2]), sum } : null;
}
function wrongControl({ sums, expected, controls }, written) {
  for (const { way, count, sum } of controls) {
    const found = [sums, [...sums, ...expected]].map((all) => {
      const own = all.filter((one) => Math.sign(one) === way);
      return { count: own.length, sum: own.reduce((total, one) => total + way * one, 0) };
    });
    if (found.some((one) => one.count === count && one.sum === sum)) continue;
    const [booked] = found;
    const side = way > 0 ? "credits" : "debits";
    return `the file says that it has ${count} ${side} of ${written(sum)}, and has ${booked?.count ?? 0} of ${written(booked?.sum ?? 0)}`;
  }
  return null;
}

// src/core/formats/mt940/coded.ts
var CODES2 = "EREF KREF PREF IREF MARF CSID CNTP ORDP BENM NAME IBAN BIC REMI PURP TRTP RTRN ULTB ULTD ISDT SVCL OCMT CHGS";
var CODE = new RegExp(`/(${CODES2.replaceAll(" ", "|")})/`, "g");
var FREE = /^(?:USTD|STRD)\/+(?:CUR\/)?/;
var NO_REFERENCE = /^(?:NOTPROVIDED|NONREF)?$/i;
function codedRemittance(text2) {
  const codes = [...text2.matchAll(CODE)];
  if (codes[0]?.index !== 0) return null;
  const parts2 = codes.map((code, at2) => {
    const from = code.index + code[0].length;
    return [
      code[1] ?? "",
      text2.slice(from, codes[at2 + 1]?.index).replace(/(?<!\/)\/+$/, "").trim()
    ];
  });
  const of = (code) => parts2.find(([name2]) => name2 === code)?.[1] ?? "";
  const name = [of("NAME"), (of("CNTP").split("/")[2] ?? "").trim(), of("ORDP"), of("BENM")].find(
    (one) => one !== ""
  );
  const words = of("REMI").replace(FREE, "").trim();
  const reference = NO_REFERENCE.test(of("EREF")) ? "" : of("EREF");
  const found = [name ?? "", words, reference].filter((part) => part !== "");
  return found.length === 0 ? null : found.join(" ");
}

// src/core/formats/mt940/remittance.ts
var WORDS = /^(?:2\d|6[0-3])$/;
var NAME = /^3[23]$/;
var WHOLE = 27;
function remittanceIn(information) {
  const text2 = information.replaceAll("\n", "");
  const parts2 = /^\d{3}([?>~|])(?=\d\d)/.exec(text2);
  const coded = parts2 ? null : codedRemittance(text2);
  if (coded !== null) return coded;
  if (!parts2) return information.replaceAll("\n", " ").replace(/ {2,}/g, " ").trim();
  const fields = text2.slice(3).split(parts2[1] ?? "?").filter((part) => part !== "").map((part) => [part.slice(0, 2), part.slice(2)]);
  const partsOf2 = (of) => fields.filter(([code]) => of.test(code)).map(([, part]) => part);
  return [joined(partsOf2(NAME), true), joined(partsOf2(WORDS), false)].filter((part) => part !== "").join(" ");
}
function joined(parts2, isName) {
  const text2 = parts2.reduce((all, part, at2) => {
    const before = parts2[at2 - 1] ?? "";
    const isApart = before.length < WHOLE && (isName || STARTS.test(part) || isSeam(before, part));
    return `${all}${isApart ? " " : ""}${part}`;
  }, "");
  return text2.replace(/ {2,}/g, " ").trim();
}
var STARTS = /^[A-Z]{4}\+/;
var isSeam = (before, next) => new RegExp("\\p{L}$", "u").test(before) === /^\d/.test(next) && /[\p{L}\d]$/u.test(before) && /^[\p{L}\d]/u.test(next);

// src/core/formats/mt940/line.ts
function bookingDay(value, entry) {
  if (entry === void 0) return iso(value);
  const year = 2e3 + Number(value.slice(0, 2));
  const shift = Number(entry.slice(0, 2)) - Number(value.slice(2, 4));
  const turned = shift > 6 ? year - 1 : year;
  return `${shift < -6 ? year + 1 : turned}-${entry.slice(0, 2)}-${entry.slice(2)}`;
}
var LINE = /^(\d{6})(\d{4})?([RE]?[CD])([A-Z])?([\d,]{1,16})([NSF][A-Z0-9]{3})([^\n/]*(?:\/(?!\/)[^\n/]*)*)(?:\/\/([^\n]*))?(?:\n([\s\S]*))?$/;
function lineOf(text2, information, currency) {
  const match = LINE.exec(text2);
  const part = (at2) => match?.[at2] ?? "";
  const size = minorOf3(part(5), currency);
  if (!match || size === null) return null;
  const mark = part(3);
  const minor2 = ["C", "RD", "EC"].includes(mark) ? size : -size;
  return {
    minor: minor2,
    isExpected: mark.startsWith("E"),
    fields: {
      id: "",
      postedOn: bookingDay(part(1), match[2]),
      currency,
      amount: decimalOf(minor2, digitsOf(currency)),
      description: wordsOf({
        information,
        reference: part(7),
        bank: part(8),
        more: part(9)
      })
    }
  };
}
var wordsOf = ({ information, reference, bank: bank2, more }) => [
  remittanceIn(information),
  /^(NONREF)?$/i.test(reference.trim()) ? "" : reference.trim(),
  bank2.trim(),
  more.replaceAll("\n", " ").trim()
].filter((part) => part !== "").join(" ").slice(0, 500);

// src/core/formats/mt940/mt940.ts
var isMt940 = (text2) => /(?:^|\n|\{4:\s*):20:/.test(text2.slice(0, 2e3)) && /\n:(?:60[FM]|34F|61|28C?):/.test(text2.slice(0, 2e4));
function fieldsOf(text2) {
  const fields = [];
  text2.split(/\r\n|\n|\r/).forEach((line, at2) => {
    const begins = /^(?:\{4:)?:(\d{2}[A-Z]?):(.*)$/.exec(line.replace(/^(?:\{[1-3]:[^}]*\})+/, ""));
    const last = fields.at(-1);
    if (begins) fields.push({ line: at2 + 1, tag: begins[1] ?? "", text: begins[2] ?? "" });
    else if (/^-(?:\}|$)/.test(line)) fields.push({ line: at2 + 1, tag: "end", text: "" });
    else if (last && last.tag !== "end" && line.trim() !== "") last.text += `
${line}`;
  });
  return fields;
}
var anew = () => ({
  ...{ account: "", opening: null, closing: null },
  ...{ sums: [], expected: [], controls: [], currency: "" }
});
function noteOf(here, { tag, text: text2 }) {
  if (/^60[FM]$/.test(tag)) {
    here.opening = balanceOf2(text2);
    here.currency = here.opening?.currency ?? here.currency;
  }
  if (/^25P?$/.test(tag))
    here.account = endOfAccount((text2.split("\n")[0] ?? "").replace(/[A-Z]{3}$/, ""));
  if (tag === "34F") here.currency = text2.slice(0, 3);
  if (/^62[FM]$/.test(tag)) here.closing = balanceOf2(text2);
  const control = controlOf(tag, text2);
  if (control) here.controls.push(control);
}
function mt940Table(text2) {
  const rows = [];
  const statements = [];
  const fields = fieldsOf(text2);
  let here = anew();
  for (const [at2, field] of fields.entries()) {
    if (field.tag === "20") statements.push(here = anew());
    noteOf(here, field);
    if (field.tag !== "61") continue;
    const next = fields[at2 + 1];
    const read = lineOf(field.text, next?.tag === "86" ? next.text : "", here.currency);
    if (!read) return fail("mt940.line", { line: field.line });
    (read.isExpected ? here.expected : here.sums).push(read.minor);
    rows.push({
      line: field.line,
      fields: { account: here.account, ...read.fields },
      aside: read.isExpected ? "not_yet" : null
    });
  }
  if (statements.some(({ opening, closing }) => opening !== null && closing === null))
    return fail("mt940.broken", { count: rows.length });
  return rows.length === 0 ? fail("file.no_rows") : ok(statementTable2(rows, statements));
}
function statementTable2(rows, statements) {
  const checks = statements.map(checkOf3);
  return agreedTable("bank", rows, {
    proofs: checks.flatMap(({ proof }) => proof ?? []),
    off: checks.find(({ off }) => off !== null)?.off ?? gapOf2(statements),
    // From the day of the balance before to that of the last.
    span: spanOf(
      statements.flatMap(({ opening, closing }) => [opening?.on ?? "", closing?.on ?? ""])
    )
  });
}
var gapOf2 = (statements) => statementGap(
  statements.map(({ account, opening, closing }) => ({
    account,
    opening: opening?.minor ?? null,
    closing: closing?.minor ?? null
  })),
  (sum) => decimalOf(sum, digitsOf(statements[0]?.currency ?? ""))
);
function checkOf3(statement) {
  const { opening, closing, sums, currency } = statement;
  const written = (sum) => decimalOf(sum, digitsOf(currency));
  const check = balanceCheck(opening?.minor ?? null, sums, closing?.minor ?? null, written);
  const { controls } = statement;
  if (controls.length === 0) return check;
  const wrong = wrongControl(statement, written);
  return {
    proof: wrong === null ? check.proof ?? "its lines are what its control totals say" : check.proof,
    off: check.off ?? wrong
  };
}

// src/core/formats/mt940/masked.ts
var OWN = /^((?:\{4:)?:25P?:(?:[^\r\n/]*\/)?)([^\r\n/]*?)((?:[A-Z]{3})?)$/gm;
var OTHER = /(\?31|\/(?:CNTP|ACCW|ACCT|BENA|ORDA)\/)((?:[0-9A-Za-z](?:\r?\n)?){5,34})(?=[?/,:\s-]|$)/g;
var over2 = (_, before, number, behind) => before + writtenOver(number) + (typeof behind === "string" ? behind : "");
var maskedMt940 = (text2) => maskedNumbers(text2.replace(OWN, over2).replace(OTHER, over2));

// src/core/formats/mt940/index.ts
var mt940 = {
  name: "mt940",
  recognizes: isMt940,
  read: mt940Table,
  masked: maskedMt940
};

// src/core/formats/x820/segments.ts
function marksOf(text2) {
  const bare2 = text2.trim();
  const isWhole = bare2.startsWith("ISA") && bare2.length > 105;
  return {
    element: isWhole ? bare2[3] ?? "*" : /^(?:ST|RMR|TRN|BPR)(.)/.exec(bare2)?.[1] ?? "*",
    ends: isWhole ? bare2[105] ?? "~" : ["~", "\\"].find((mark) => bare2.includes(mark)) ?? "~"
  };
}
function segmentsOf(text2) {
  const { element, ends } = marksOf(text2);
  return text2.trim().split(ends).map((segment) => segment.trim().split(element)).filter(([name]) => name !== void 0 && /^[A-Z][A-Z0-9]{1,2}$/.test(name));
}
var dayIn = (text2) => /^\d{8}$/.test(text2 ?? "") ? `${text2?.slice(0, 4) ?? ""}-${text2?.slice(4, 6) ?? ""}-${text2?.slice(6) ?? ""}` : "";
var documentsIn = (segments) => segments.flatMap(
  ([name, qualifier = "", number = "", , paid = "", invoiced = "", discount = ""]) => name === "RMR" && number !== "" ? [{ number, amount: paid || invoiced, discount, qualifier }] : []
);
var OF_DOCUMENTS = /* @__PURE__ */ new Set([
  "",
  "IV",
  "IK",
  "OI",
  "R7",
  "CM",
  "CL",
  "DL",
  "DB"
]);
var doubtOfDocument = ({
  qualifier
}) => OF_DOCUMENTS.has(qualifier) ? null : "other_document";

// src/core/formats/x820/x820.ts
var isX12 = (text2) => /^\s*(?:ISA[^\w\s].{102}|ST.820)/s.test(text2.slice(0, 200));
function setsOf(segments) {
  const sets = [];
  for (const segment of segments) {
    if (segment[0] === "ST") sets.push({ body: [segment], said: null });
    else {
      const here = sets.at(-1);
      if (!here || here.said !== null) continue;
      here.body.push(segment);
      if (segment[0] === "SE") here.said = Number(segment[1]);
    }
  }
  return sets;
}
var cents = (text2) => Math.round(Number(text2 || "0") * 100);
function adjustmentsIn(body) {
  const changes = /* @__PURE__ */ new Map();
  body.forEach(([name, amount = "", , of = "", own = ""], at2) => {
    if (name !== "ADX") return;
    const [qualifier, number] = own === "" ? referredIn(body[at2 + 1] ?? []) : [of, own];
    const before = changes.get(number)?.change ?? 0;
    changes.set(number, { number, qualifier, change: before + cents(amount) });
  });
  return changes;
}
var referredIn = ([name, kind = "", number = ""]) => name === "REF" ? [kind, number] : ["", ""];
function sharedIn(body) {
  const first2 = (name) => body.find(([segment]) => segment === name) ?? [];
  const bpr = first2("BPR");
  return {
    trace: first2("TRN")[2] ?? "",
    paidOn: dayIn(bpr[16]) || dayIn(first2("DTM")[2]),
    payerName: body.find(([name, role]) => name === "N1" && role === "PR")?.[2] ?? "",
    total: bpr[2] ?? "",
    currency: first2("CUR")[2] ?? ""
  };
}
function paymentOf(body) {
  const shared = sharedIn(body);
  const { total = "" } = shared;
  const documents = documentsIn(body);
  const paid = documents.reduce((sum, { amount }) => sum + cents(amount), 0);
  const adjusted = body.reduce(
    (sum, [name, amount]) => name === "ADX" ? sum + cents(amount ?? "") : sum,
    0
  );
  const isChanged = paid !== cents(total) && paid + adjusted === cents(total);
  const named = isChanged ? adjustmentsIn(body) : /* @__PURE__ */ new Map();
  const unnamed = named.get("")?.change ?? 0;
  const isPaid = [paid, paid + adjusted].includes(cents(total));
  return {
    rows: rowsOf(documents, named, shared),
    off: isPaid ? unnamedWords(unnamed) : `the documents come to ${inText(paid + adjusted)}, and the payment is ${total || "0"}`
  };
}
function rowsOf(documents, named, shared) {
  const listed = new Set(documents.map(({ number }) => number));
  const others = [...named.values()].filter(({ number }) => number !== "" && !listed.has(number));
  const done = /* @__PURE__ */ new Set();
  return [
    ...documents.map((document) => {
      const change = done.has(document.number) ? 0 : named.get(document.number)?.change ?? 0;
      done.add(document.number);
      const amount = change === 0 ? document.amount : inText(cents(document.amount) + change);
      return { fields: { ...shared, ...document, amount }, doubt: doubtOfDocument(document) };
    }),
    ...others.map((other) => rowOf(shared, other))
  ];
}
var rowOf = (shared, { number, qualifier, change }) => ({
  fields: { ...shared, number, amount: inText(change), discount: "" },
  doubt: doubtOfDocument({ qualifier })
});
var unnamedWords = (change) => change === 0 ? null : `${inText(change)} of the payment is an adjustment that names no document`;
var inText = (sum) => (sum / 100).toFixed(2);
function table820(text2) {
  const segments = segmentsOf(text2);
  const other = segments.find(([name, set]) => name === "ST" && set !== "820");
  if (other) return fail("x820.other", { set: (other[1] ?? "").slice(0, 10) });
  if (segments[0]?.[0] === "ISA" && segments.at(-1)?.[0] !== "IEA") return fail("x820.cut");
  const sets = setsOf(segments);
  if (sets.some(({ said }) => said === null)) return fail("x820.cut");
  const wrong = sets.find(({ said, body }) => said !== body.length);
  if (wrong) return fail("x820.count", { said: wrong.said, found: wrong.body.length });
  const payments = sets.map(({ body }) => paymentOf(body));
  const rows = payments.flatMap((payment2) => payment2.rows);
  const off = payments.find((payment2) => payment2.off !== null)?.off ?? null;
  return rows.length === 0 ? fail("file.no_rows") : ok(
    agreedTable(
      "remittance",
      rows.map((row, at2) => ({ line: at2 + 1, ...row })),
      { off }
    )
  );
}

// src/core/formats/x820/masked.ts
var ACCOUNTS2 = [9, 15];
function ordersWrittenOver(text2) {
  const { element, ends } = marksOf(text2);
  return text2.split(ends).map((segment) => {
    const elements = segment.split(element);
    if (elements[0]?.trim() !== "BPR") return segment;
    return elements.map((part, at2) => ACCOUNTS2.includes(at2) ? writtenOver(part) : part).join(element);
  }).join(ends);
}
var masked820 = (text2) => maskedNumbers(ordersWrittenOver(text2));

// src/core/formats/x820/index.ts
var x820 = {
  name: "x820",
  recognizes: isX12,
  read: table820,
  masked: masked820
};

// src/core/formats/nacha/masked.ts
var WIDTH = 94;
var WORDS2 = { from: 3, to: 83 };
function maskedNacha(text2) {
  const parts2 = /[\r\n]/.test(text2) ? text2.split(/(\r\n|\n|\r)/) : text2.match(new RegExp(`.{1,${WIDTH}}`, "g")) ?? [];
  const kept = parts2.map(withoutAccount);
  for (const run of runsOfAddenda(kept)) {
    const words = run.map((at2) => (kept[at2] ?? "").slice(WORDS2.from, WORDS2.to));
    const left = numbersWrittenOver(ordersWrittenOver(words.join("")));
    let from = 0;
    run.forEach((at2, nth) => {
      const record = kept[at2] ?? "";
      const own = left.slice(from, from += words[nth]?.length ?? 0);
      kept[at2] = record.slice(0, WORDS2.from) + own + record.slice(WORDS2.to);
    });
  }
  return kept.join("");
}
var overwritten = (part) => {
  const digits = part.replace(/\D/g, "").length;
  let seen = 0;
  return part.replace(/\d/g, (digit) => (seen += 1) > digits - 4 ? digit : "x");
};
var withoutAccount = (record) => record.replace(
  /^(6.{11})(.{17})/,
  (_, before, number) => before + overwritten(number)
).replace(/^(798.{32})(.{29})/, (_, before, data) => before + overwritten(data));
function runsOfAddenda(parts2) {
  const runs = [];
  let isWithin = false;
  parts2.forEach((part, at2) => {
    if (/^[\r\n]*$/.test(part)) return;
    const isAddenda = part.startsWith("705");
    if (isAddenda && isWithin) runs.at(-1)?.push(at2);
    else if (isAddenda) runs.push([at2]);
    isWithin = isAddenda;
  });
  return runs;
}

// src/core/formats/nacha/controls.ts
var cut = (record, from, to) => record.slice(from - 1, to).trim();
var PLACES = {
  "8": { entries: [5, 10], hash: [11, 20], debits: [21, 32], credits: [33, 44] },
  "9": { entries: [14, 21], hash: [22, 31], debits: [32, 43], credits: [44, 55] }
};
var isDebit = (entry) => /[6-9]/.test(entry[2] ?? "");
function totalsOf(records) {
  const entries = records.filter(({ record }) => record[0] === "6").map(({ record }) => record);
  const addenda = records.filter(({ record }) => record[0] === "7");
  const sum = (part) => part.reduce((total, entry) => total + Number(cut(entry, 30, 39)), 0);
  return {
    entries: entries.length + addenda.length,
    debits: sum(entries.filter(isDebit)),
    credits: sum(entries.filter((entry) => !isDebit(entry)))
  };
}
function controlled(records) {
  let from = 0;
  return records.flatMap((control, at2) => {
    const type = control.record[0];
    if (type === "5") from = at2;
    if (type === "8") return [{ control, of: records.slice(from, at2) }];
    return type === "9" ? [{ control, of: records }] : [];
  });
}
var inWords = ({ entries, debits, credits }) => `${entries} entries and addenda, ${(debits / 100).toFixed(2)} taken and ${(credits / 100).toFixed(2)} brought`;
function wrongControl2(records) {
  for (const { control, of } of controlled(records)) {
    const found = totalsOf(of);
    const said = { ...found };
    for (const name of ["entries", "debits", "credits"]) {
      const [from, to] = PLACES[control.record[0] ?? ""]?.[name] ?? [0, 0];
      const text2 = cut(control.record, from, to);
      if (text2 !== "" || control.record[0] === "9") said[name] = Number(text2);
    }
    if (said.entries !== found.entries || said.debits !== found.debits || said.credits !== found.credits)
      return { line: control.line, said: inWords(said), found: inWords(found) };
  }
  return null;
}
function wrongHash(records) {
  for (const { control, of } of controlled(records)) {
    const [from, to] = PLACES[control.record[0] ?? ""]?.hash ?? [0, 0];
    const said = cut(control.record, from, to);
    const banks = of.filter(({ record }) => record[0] === "6").map(({ record }) => cut(record, 4, 11));
    const found = banks.reduce((sum, bank2) => (sum + Number(bank2)) % 10 ** 10, 0);
    if (said !== "" && Number(said) !== found)
      return `line ${control.line} says that the numbers of the banks come to ${said}, and they come to ${found}`;
  }
  return null;
}

// src/core/formats/nacha/remittance.ts
var cut2 = (record, from, to) => record.slice(from - 1, to);
function remittanceTable(records, day) {
  const entries = [];
  let [company, on] = ["", ""];
  for (const { record, line } of records) {
    if (record[0] === "5") {
      company = cut2(record, 5, 20).trim();
      on = day(cut2(record, 70, 75).trim());
    }
    if (record[0] === "6") entries.push({ record, line, company, on, parts: [] });
    if (record[0] === "7" && cut2(record, 2, 3) === "05")
      entries.at(-1)?.parts.push(cut2(record, 4, 83));
  }
  const rows = entries.filter(({ record, parts: parts2 }) => parts2.length > 0 && /[1-4]/.test(record[2] ?? "")).flatMap(rowsOf2);
  const off = entries.map(offOf).find((words) => words !== null) ?? null;
  return rows.length === 0 ? null : agreedTable("remittance", rows, { off });
}
function offOf({ record, line, parts: parts2 }) {
  const documents = documentsIn(segmentsOf(parts2.join("")));
  const paid = documents.reduce(
    (sum, { amount }) => sum + Math.round(Number(amount || "0") * 100),
    0
  );
  const cents2 = Number(cut2(record, 30, 39));
  return documents.length === 0 || paid === cents2 ? null : `the documents of the payment on line ${line} come to ${decimalOf(paid, 2)}, and it is ${decimalOf(cents2, 2)}`;
}
function rowsOf2({ record, line, company, on, parts: parts2 }) {
  const cents2 = Number(cut2(record, 30, 39));
  const total = `${Math.floor(cents2 / 100)}.${String(cents2 % 100).padStart(2, "0")}`;
  const shared = {
    trace: cut2(record, 80, 94).trim(),
    paidOn: on,
    payerName: company,
    total,
    currency: "USD"
  };
  const text2 = parts2.join("");
  const documents = documentsIn(segmentsOf(text2));
  const words = text2.replace(/\s+/g, " ").replace(/[\\~]\s*$/, "").trim();
  const found = documents.length > 0 ? documents : [{ number: words.slice(0, 140), amount: total, discount: "", qualifier: "" }];
  return found.map((document) => ({
    line,
    fields: { ...shared, ...document },
    doubt: doubtOfDocument(document)
  }));
}

// src/core/formats/nacha/nacha.ts
var WIDTH2 = 94;
function isNacha(text2) {
  return /^101.{31}094/.test(text2.replace(/^\uFEFF/, ""));
}
var cut3 = (record, from, to) => record.slice(from - 1, to).trim();
var isoDay = (yymmdd) => /^\d{6}$/.test(yymmdd) ? `20${yymmdd.slice(0, 2)}-${yymmdd.slice(2, 4)}-${yymmdd.slice(4, 6)}` : "";
var decimal = (cents2) => /^\d+$/.test(cents2) ? `${Number(cents2.slice(0, -2) || "0")}.${cents2.slice(-2).padStart(2, "0")}` : "";
var lastFour = (number) => number.replace(/\D/g, "").slice(-4);
function recordsOf3(text2) {
  const bare2 = text2.replace(/^\uFEFF/, "");
  const lines = /[\r\n]/.test(bare2) ? bare2.split(/\r\n|\n|\r/) : bare2.match(new RegExp(`.{1,${WIDTH2}}`, "g")) ?? [];
  return lines.map((record, at2) => ({ record: record.padEnd(WIDTH2), line: at2 + 1 })).filter(({ record }) => record.trim() !== "" && !/^9{94}$/.test(record));
}
var HEADERS = [
  "record",
  "code",
  "original_trace",
  "trace",
  "date",
  "amount",
  "name",
  "account",
  "correction"
];
function nachaTable(text2) {
  const records = recordsOf3(text2);
  const wide = records.find(({ record }) => record.trimEnd().length > WIDTH2);
  if (wide) return fail("nacha.width", { line: wide.line, found: wide.record.trimEnd().length });
  if (!records.some(({ record }) => record[0] === "9")) return fail("nacha.control");
  const wrong = wrongControl2(records);
  if (wrong) return fail("nacha.sum", wrong);
  const rows = noticeRows(records);
  const paid = remittanceTable(records, isoDay);
  const off = wrongHash(records);
  if (rows.length === 0)
    return paid ? ok({ ...paid, off: off ?? paid.off ?? null }) : fail("file.no_advice");
  const doubts = paid && rows[0] ? [{ line: rows[0].line, mark: "beside" }] : [];
  return ok({ headers: HEADERS, rows, kind: "returns", off, doubts });
}
function noticeRows(records) {
  const rows = [];
  const created = isoDay(cut3(records[0]?.record ?? "", 24, 29));
  let [effective, entry] = ["", ""];
  for (const { record, line } of records) {
    if (record[0] === "5") effective = isoDay(cut3(record, 70, 75));
    if (record[0] === "6") entry = record;
    const kind = record[0] === "7" ? cut3(record, 2, 3) : "";
    if (kind === "99" || kind === "98")
      rows.push({ line, cells: noticeCells(record, entry, effective || created) });
  }
  return rows;
}
function noticeCells(addenda, entry, on) {
  const isReturn = cut3(addenda, 2, 3) === "99";
  const code = cut3(addenda, 4, 6);
  return [
    isReturn ? "return" : "change",
    code,
    cut3(addenda, 7, 21),
    cut3(entry, 80, 94),
    on,
    decimal(cut3(entry, 30, 39)),
    cut3(entry, 55, 76),
    lastFour(cut3(entry, 13, 29)),
    isReturn ? "" : correction(code, cut3(addenda, 36, 64))
  ];
}
var CHANGES = {
  C01: "account number",
  C02: "routing number",
  C03: "routing and account number",
  C04: "name",
  C05: "kind of account",
  C06: "account number and kind of account",
  C07: "routing number, account number and kind of account"
};
var KINDS = {
  "2": "checking",
  "3": "savings",
  "4": "general ledger",
  "5": "loan"
};
function correction(code, data) {
  const what = CHANGES[code] ?? "account";
  if (code === "C04") return `${what}: ${data}`;
  if (code === "C05") return `${what}: ${KINDS[data[0] ?? ""] ?? data}`;
  const digits = lastFour(data.split(/\s+/)[code === "C03" || code === "C07" ? 1 : 0] ?? data);
  return digits === "" ? what : `${what} ending in ${digits}`;
}

// src/core/formats/nacha/index.ts
var nacha = {
  name: "nacha",
  recognizes: isNacha,
  read: nachaTable,
  masked: maskedNacha
};

// src/core/formats/ofx/amounts.ts
var COMMA = /^[+-]?(?:\d*,(?:\d{1,2}|\d{4,})|\d{1,3}(?:\.\d{3})+,\d*)$/;
var POINT = /^[+-]?(?:\d*\.(?:\d{1,2}|\d{4,})|\d{1,3}(?:,\d{3})+\.\d*)$/;
var OPEN = /^[+-]?\d{1,3}[.,]\d{3}$/;
function pointBeforeDecimals(sums) {
  const isMixed = sums.some((text2) => COMMA.test(text2)) && sums.some((text2) => POINT.test(text2));
  if (!isMixed || sums.some((text2) => OPEN.test(text2))) return (text2) => text2;
  return (text2) => COMMA.test(text2) ? text2.replace(/\./g, "").replace(",", ".") : text2.replace(/,/g, "");
}

// src/core/formats/ofx/transactions.ts
var PENDING2 = "STMTTRNP";
var HOLD = "HOLD";
var dayOf = (text2) => /^\d{8}/.test(text2) ? `${text2.slice(0, 4)}-${text2.slice(4, 6)}-${text2.slice(6, 8)}` : text2;
var MOMENT = /^(\d{4})(\d\d)(\d\d)(\d\d)(\d\d)(?:\d\d)?(?:\.\d{1,6})?\[([+-]?\d{1,2}(?:\.\d{1,2})?)(?::[A-Za-z]{1,6})?\]$/;
function momentOf(text2) {
  const found = MOMENT.exec(text2.trim());
  if (!found) return null;
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, zone = 0] = found.slice(1).map(Number);
  if (minute === 0 && hour % 12 === 0) return null;
  const moment = new Date(Date.UTC(year, month - 1, day, hour, minute) - zone * 36e5);
  return Number.isNaN(moment.getTime()) ? null : moment.toISOString();
}
var ONE_WAY = {
  CREDIT: 1,
  DEP: 1,
  DIRECTDEP: 1,
  DEBIT: -1,
  CHECK: -1,
  DIRECTDEBIT: -1
};
var sumOf2 = ({ said }) => (said.TRNAMT ?? "").trim();
function rowsOf3(transactions) {
  const correctedBy = /* @__PURE__ */ new Map();
  for (const one of transactions)
    if (one.said.CORRECTFITID) correctedBy.set(one.said.CORRECTFITID, one);
  const byId = new Map(transactions.map((one) => [one.said.FITID, one]));
  const amountOf = pointBeforeDecimals(transactions.map(sumOf2));
  return transactions.map((one) => ({
    line: one.line,
    fields: { ...fieldsOf2(one), amount: amountOf(sumOf2(one)), id: rootOf(one, byId) },
    aside: asideOf(one, correctedBy, byId),
    doubt: doubtOf(one, byId),
    moment: momentOf(one.said.DTPOSTED ?? one.said.DTTRAN ?? "")
  }));
}
function rootOf(one, byId) {
  const seen = /* @__PURE__ */ new Set();
  let here = one;
  while (!seen.has(here)) {
    seen.add(here);
    const before = here.said.CORRECTFITID;
    if (before === void 0) break;
    const next = byId.get(before);
    if (!next) return before;
    here = next;
  }
  return here.said.FITID ?? "";
}
var isTakenBack = ({ said }) => said.CORRECTACTION === "DELETE";
function asideOf(one, correctedBy, byId) {
  const { FITID = "", CORRECTFITID = "" } = one.said;
  if (one.isPending || one.said.TRNTYPE === HOLD) return "not_yet";
  const later = correctedBy.get(FITID) ?? correctedBy.get(CORRECTFITID);
  if (later && later !== one) return "replaced";
  return isTakenBack(one) && byId.has(CORRECTFITID) ? "replaced" : null;
}
function doubtOf(one, byId) {
  if (isTakenBack(one)) return "taken_back";
  if (one.said.CORRECTFITID !== void 0 && !byId.has(one.said.CORRECTFITID)) return "corrected";
  const way = ONE_WAY[one.said.TRNTYPE ?? ""];
  const sum = sumOf2(one);
  const went = sum.startsWith("-") ? -1 : 1;
  return way !== void 0 && /[1-9]/.test(sum) && went !== way ? "wrong_side" : null;
}
function fieldsOf2({ said, account, currency }) {
  const { NAME: NAME2 = "", MEMO = "", CHECKNUM = "" } = said;
  return {
    account,
    postedOn: dayOf(said.DTPOSTED ?? said.DTTRAN ?? ""),
    currency: said.CURSYM || currency,
    description: [NAME2, MEMO === NAME2 ? "" : MEMO, CHECKNUM ? `check ${CHECKNUM}` : ""].filter((part) => part !== "").join(" ")
  };
}

// src/core/formats/ofx/ofx.ts
var isOfx = (text2) => /<OFX>/i.test(text2.slice(0, 4e3));
function* tokens(text2) {
  let line = 1;
  let from = text2.search(/<OFX>/i);
  for (let at2 = text2.indexOf("\n"); at2 >= 0 && at2 < from; at2 = text2.indexOf("\n", at2 + 1))
    line += 1;
  while (from >= 0) {
    const close = text2.indexOf(">", from);
    if (close < 0) return;
    const next = text2.indexOf("<", close);
    const behind = text2.slice(close + 1, next < 0 ? void 0 : next);
    const name = text2.slice(from + 1, close).trim();
    yield {
      tag: name.replace("/", "").toUpperCase(),
      end: name.startsWith("/"),
      text: unescaped(behind.trim()),
      line
    };
    for (let at2 = behind.indexOf("\n"); at2 >= 0; at2 = behind.indexOf("\n", at2 + 1)) line += 1;
    from = next;
  }
}
var unescaped = (text2) => text2.replace(/&lt;/g, "<").replace(/&gt;/g, ">").replace(/&quot;/g, '"').replace(/&#39;|&apos;/g, "'").replace(/&nbsp;/g, " ").replace(/&amp;/g, "&");
var OfxReader = class {
  rows = [];
  whole = false;
  /** A transaction begins before another has ended: something of it was lost. */
  isNested = false;
  days = [];
  currency = "";
  account = "";
  open = null;
  take(token) {
    const { tag, end, text: text2 } = token;
    if (tag === "OFX" && end) this.whole = true;
    if (tag === "ORIGCURRENCY" && this.open) this.open.CURSYM ??= "";
    if (tag === "STMTTRN" || tag === PENDING2) return this.transaction(token);
    if (end || text2 === "") return;
    if (this.open) this.open[tag] ??= text2;
    else this.about(tag, text2);
  }
  /** What is said of the account as a whole; within a transaction the same tags are of the other side. */
  about(tag, text2) {
    if (tag === "CURDEF") this.currency = text2;
    if (tag === "DTSTART" || tag === "DTEND") this.days.push(dayOf(text2));
    if (tag === "ACCTID") this.account = endOfAccount(text2);
  }
  transaction({ tag, end, line }) {
    if (!end && this.open) this.isNested = true;
    if (end && this.open)
      this.rows.push({
        line,
        said: this.open,
        isPending: tag === PENDING2,
        account: this.account,
        currency: this.currency
      });
    this.open = end ? null : {};
  }
};
function ofxTable(text2) {
  const reader = new OfxReader();
  for (const token of tokens(plainText(text2))) reader.take(token);
  const { open, whole: whole2, isNested, days } = reader;
  if (open || !whole2 || isNested) return fail("ofx.broken", { count: reader.rows.length });
  const rows = rowsOf3(reader.rows);
  return rows.length === 0 ? fail("file.no_rows") : ok(agreedTable("bank", rows, { span: spanOf(days) }));
}

// src/core/formats/ofx/masked.ts
var ACCOUNTS3 = /(<(?:ACCTID|ACCTKEY)>)([^<\r\n]*)/gi;
var maskedOfx = (text2) => maskedNumbers(
  plainText(text2).replace(
    ACCOUNTS3,
    (_, tag, number) => tag + writtenOver(number)
  )
);

// src/core/formats/ofx/index.ts
var ofx = {
  name: "ofx",
  recognizes: isOfx,
  read: ofxTable,
  masked: maskedOfx
};

// src/core/formats/otherText/index.ts
var BEGINNINGS = [
  [/^\s*(?:\{\s*"|\[\s*[[{"])/, "file.json"],
  [/^\s*(?:UNA.{6}\s*)?UNB[^\w\s]/, "file.edifact"],
  [/^\s*!(?:Type|Account|Option|Clear):/i, "file.qif"],
  [/^\s*BEGIN:(?:VCARD|VCALENDAR)/i, "file.card"],
  [/^\s*\{\\rtf/, "file.rtf"]
];
var FIELD = /^[A-Za-z][\w-]{0,40}:/;
var FURTHER = /^[ \t]/;
var OF_A_MAIL = /^(?:MIME-Version|Received|Return-Path): /;
function isMail(head2) {
  const lines = head2.split("\n", 60);
  const own = lines.findIndex((line) => OF_A_MAIL.test(line));
  return own !== -1 && lines.slice(0, own).every((l) => FIELD.test(l) || FURTHER.test(l));
}
var beginning = (text2) => {
  const head2 = text2.slice(0, 4e3).replace(/^\ufeff/, "").replaceAll("\r\n", "\n");
  const named = BEGINNINGS.find(([begins]) => begins.test(head2))?.[1];
  return named ?? (isMail(head2) ? "file.mail" : void 0);
};
var otherText = {
  name: "other",
  recognizes: (text2) => beginning(text2) !== void 0,
  read: (text2) => fail(beginning(text2) ?? "file.binary"),
  masked: maskedNumbers
};

// src/core/formats/ubl/read.ts
var ROOTS = {
  "urn:oasis:names:specification:ubl:schema:xsd:Invoice-2 Invoice": "invoice",
  "urn:oasis:names:specification:ubl:schema:xsd:CreditNote-2 CreditNote": "credit_note"
};
var Wrong = class extends Error {
  constructor(failure) {
    super(failure.code);
    this.failure = failure;
  }
  failure;
};
function readUbl(text2) {
  const tree = xmlTree(text2);
  if (!tree.ok) return tree;
  const document = withinEnvelope(tree.value);
  const kind = kindOf(document);
  if (!kind) return fail("ubl.other", { name: document.name });
  try {
    const record = recordOf(document, kind);
    const off = wrongSum(record);
    return off ? fail("ubl.sums", off) : ok(record);
  } catch (error) {
    if (error instanceof Wrong) return { ok: false, error: error.failure };
    throw error;
  }
}
var kindOf = ({ space, name }) => ROOTS[`${space} ${name}`];
function withinEnvelope(root) {
  const sent = root.name === "StandardBusinessDocument" ? root.children.filter(kindOf) : [];
  return sent.length === 1 && sent[0] ? sent[0] : root;
}
function dueIn(root) {
  const own = textAt(root, "DueDate");
  if (own !== null) return own;
  const days = ["PaymentMeans", "PaymentTerms"].flatMap(
    (name) => allAt(root, name).flatMap((node) => textAt(node, "PaymentDueDate") ?? [])
  );
  return new Set(days).size === 1 ? days[0] ?? null : null;
}
function recordOf(root, kind) {
  const currency = currencyOf(needed(root, "DocumentCurrencyCode"));
  if (!currency)
    throw new Wrong({ code: "currency.unknown", text: textAt(root, "DocumentCurrencyCode") });
  const sums = at(root, "LegalMonetaryTotal");
  const sum = (node, name) => amountAt(node, name, currency);
  const due = dueIn(root);
  const optional = (node, name) => textAt(node, name) === null ? minor(0) : sum(node, name);
  const taxTotal2 = at(root, "TaxTotal");
  return {
    kind,
    number: needed(root, "ID"),
    issuedOn: dayOf2(needed(root, "IssueDate")),
    dueOn: due === null ? null : dayOf2(due),
    currency,
    poNumber: textAt(root, "OrderReference", "ID"),
    corrects: textAt(root, "BillingReference", "InvoiceDocumentReference", "ID"),
    note: textAt(root, "Note"),
    terms: textAt(root, "PaymentTerms", "Note"),
    seller: nameOf(at(root, "AccountingSupplierParty", "Party")),
    buyer: {
      id: textAt(root, "AccountingCustomerParty", "Party", "PartyIdentification", "ID"),
      name: nameOf(at(root, "AccountingCustomerParty", "Party"))
    },
    lines: allAt(root, kind === "invoice" ? "InvoiceLine" : "CreditNoteLine").map((line) => ({
      item: textAt(line, "Item", "SellersItemIdentification", "ID"),
      description: textAt(line, "Item", "Name"),
      quantity: textAt(line, "InvoicedQuantity") ?? textAt(line, "CreditedQuantity") ?? "1",
      net: sum(line, "LineExtensionAmount"),
      category: textAt(line, "Item", "ClassifiedTaxCategory", "ID")
    })),
    allowances: optional(sums, "AllowanceTotalAmount"),
    charges: optional(sums, "ChargeTotalAmount"),
    taxes: allAt(taxTotal2, "TaxSubtotal").map((tax) => ({
      category: textAt(tax, "TaxCategory", "ID"),
      percent: textAt(tax, "TaxCategory", "Percent"),
      net: sum(tax, "TaxableAmount"),
      sum: sum(tax, "TaxAmount")
    })),
    lineSum: sum(sums, "LineExtensionAmount"),
    net: sum(sums, "TaxExclusiveAmount"),
    tax: optional(taxTotal2, "TaxAmount"),
    total: sum(sums, "TaxInclusiveAmount"),
    prepaid: optional(sums, "PrepaidAmount"),
    rounding: optional(sums, "PayableRoundingAmount"),
    payable: sum(sums, "PayableAmount"),
    typeCode: textAt(root, "InvoiceTypeCode") ?? textAt(root, "CreditNoteTypeCode")
  };
}
var nameOf = (party2) => textAt(party2, "PartyName", "Name") ?? textAt(party2, "PartyLegalEntity", "RegistrationName");
function needed(node, name) {
  const text2 = textAt(node, name);
  if (text2 === null) throw new Wrong({ code: "field.empty", field: name });
  return text2;
}
function dayOf2(text2) {
  const read = parseDay(text2, "ymd");
  if (!read.ok) throw new Wrong(read.error);
  return read.value;
}
function amountAt(node, name, currency) {
  const element = at(node, name);
  const said = element?.attributes.currencyID;
  if (said !== void 0 && said !== currency)
    throw new Wrong({ code: "ubl.currency", field: name, text: said, currency });
  const read = parseAmount(element?.text ?? "", ".", currency);
  if (!read.ok) throw new Wrong({ ...read.error, field: name });
  return read.value;
}
function wrongSum(record) {
  const { lines, lineSum, net, allowances, charges, taxes, tax, total } = record;
  const { prepaid, rounding, payable } = record;
  const lineNets = lines.reduce((all, line) => all + line.net, 0);
  const taxSums = taxes.reduce((all, { sum }) => all + sum, 0);
  const rules = [
    ["BR-CO-10", lineSum, lineNets],
    ["BR-CO-13", net, lineSum - allowances + charges],
    ["BR-CO-14", tax, taxes.length === 0 ? tax : taxSums],
    ["BR-CO-15", total, net + tax],
    ["BR-CO-16", payable, total - prepaid + rounding]
  ];
  const broken = rules.find(([, stated, found]) => stated !== found);
  return broken ? { rule: broken[0], stated: broken[1], found: broken[2] } : null;
}

// src/core/formats/ubl/write.ts
import { create } from "xmlbuilder2";
var ROOT = "urn:oasis:names:specification:ubl:schema:xsd:";
var PROFILE = "urn:cen.eu:en16931:2017";
var TYPE = { invoice: "380", credit_note: "381" };
var UNIT2 = "C62";
function writeUbl(document) {
  const name = document.kind === "invoice" ? "Invoice" : "CreditNote";
  const root = {
    [name]: {
      "@xmlns": `${ROOT}${name}-2`,
      "@xmlns:cac": `${ROOT}CommonAggregateComponents-2`,
      "@xmlns:cbc": `${ROOT}CommonBasicComponents-2`,
      ...head(document),
      "cac:AccountingSupplierParty": { "cac:Party": party(document.seller) },
      "cac:AccountingCustomerParty": { "cac:Party": party(document.buyer) },
      ...payment(document),
      "cac:AllowanceCharge": document.allowances.map(
        (allowance) => allowanceOf(allowance, document.currency)
      ),
      "cac:TaxTotal": taxTotal(document),
      "cac:LegalMonetaryTotal": totals(document),
      [`cac:${name}Line`]: document.lines.map((line) => lineOf2(line, document))
    }
  };
  return create({ version: "1.0", encoding: "UTF-8" }, without(root)).end({
    prettyPrint: true,
    wellFormed: true
  });
}
function without(value) {
  if (Array.isArray(value)) return value.length === 0 ? void 0 : value.map(without);
  if (typeof value !== "object" || value === null) return value ?? void 0;
  const kept = Object.entries(value).map(([name, inner]) => [name, without(inner)]).filter(([, inner]) => inner !== void 0);
  return kept.length === 0 ? void 0 : Object.fromEntries(kept);
}
var money = (amount, currency) => ({
  "@currencyID": currency,
  "#": toDecimal(amount, currency)
});
var head = ({
  kind,
  number,
  issuedOn,
  dueOn,
  note,
  currency,
  poNumber,
  corrects
}) => ({
  "cbc:CustomizationID": PROFILE,
  "cbc:ID": number,
  "cbc:IssueDate": issuedOn,
  ...kind === "invoice" ? { "cbc:DueDate": dueOn, "cbc:InvoiceTypeCode": TYPE.invoice } : { "cbc:CreditNoteTypeCode": TYPE.credit_note },
  "cbc:Note": note,
  "cbc:DocumentCurrencyCode": currency,
  "cac:OrderReference": poNumber === null ? null : { "cbc:ID": poNumber },
  "cac:BillingReference": corrects === null ? null : { "cac:InvoiceDocumentReference": { "cbc:ID": corrects } }
});
var firstAddress = (email) => email.split(/[;,]/)[0]?.trim() ?? email;
var party = ({ id, name, address, country, taxNumber, email }) => ({
  // BT-34 and BT-49 by the code list EAS: EM is electronic mail.
  // It is one address, where a customer may have several.
  "cbc:EndpointID": email === null ? null : { "@schemeID": "EM", "#": firstAddress(email) },
  "cac:PartyIdentification": id === null ? null : { "cbc:ID": id },
  "cac:PartyName": { "cbc:Name": name },
  "cac:PostalAddress": {
    "cbc:StreetName": address[0],
    "cbc:AdditionalStreetName": address[1],
    "cbc:CityName": address[2],
    "cac:Country": { "cbc:IdentificationCode": country }
  },
  "cac:PartyTaxScheme": taxNumber === null ? null : { "cbc:CompanyID": taxNumber, "cac:TaxScheme": { "cbc:ID": "VAT" } },
  "cac:PartyLegalEntity": { "cbc:RegistrationName": name },
  "cac:Contact": email === null ? null : { "cbc:ElectronicMail": email }
});
var payment = ({ kind, terms, dueOn }) => ({
  // UNTDID 4461, 1: by whichever way; a credit note has its day here.
  "cac:PaymentMeans": kind === "credit_note" ? { "cbc:PaymentMeansCode": "1", "cbc:PaymentDueDate": dueOn } : null,
  "cac:PaymentTerms": terms === null ? null : { "cbc:Note": terms }
});
var category = ({ code, percent }) => ({
  "cbc:ID": code,
  "cbc:Percent": percent,
  "cac:TaxScheme": { "cbc:ID": "VAT" }
});
var allowanceOf = ({ charge, reason, sum, tax }, currency) => ({
  "cbc:ChargeIndicator": String(charge),
  "cbc:AllowanceChargeReason": reason,
  "cbc:Amount": money(sum, currency),
  "cac:TaxCategory": category(tax)
});
var taxTotal = ({ tax, taxes, currency }) => ({
  "cbc:TaxAmount": money(tax, currency),
  "cac:TaxSubtotal": taxes.map(({ tax: own, net, sum }) => ({
    "cbc:TaxableAmount": money(net, currency),
    "cbc:TaxAmount": money(sum, currency),
    "cac:TaxCategory": {
      "cbc:ID": own.code,
      "cbc:Percent": own.percent,
      "cbc:TaxExemptionReason": own.reason,
      "cac:TaxScheme": { "cbc:ID": "VAT" }
    }
  }))
});
function totals({ lines, allowances, net, total, currency }) {
  const sumOf3 = (charge) => allowances.filter((allowance) => allowance.charge === charge).reduce((all, { sum }) => all + sum, 0);
  const [off, on] = [sumOf3(false), sumOf3(true)];
  return {
    "cbc:LineExtensionAmount": money(
      lines.reduce((all, line) => all + line.net, 0),
      currency
    ),
    "cbc:TaxExclusiveAmount": money(net, currency),
    "cbc:TaxInclusiveAmount": money(total, currency),
    "cbc:AllowanceTotalAmount": off === 0 ? null : money(off, currency),
    "cbc:ChargeTotalAmount": on === 0 ? null : money(on, currency),
    "cbc:PayableAmount": money(total, currency)
  };
}
function lineOf2(line, { kind, currency }) {
  const quantity = { "@unitCode": UNIT2, "#": line.quantity };
  return {
    "cbc:ID": line.id,
    [kind === "invoice" ? "cbc:InvoicedQuantity" : "cbc:CreditedQuantity"]: quantity,
    "cbc:LineExtensionAmount": money(line.net, currency),
    "cac:AllowanceCharge": line.allowance === 0 ? null : {
      "cbc:ChargeIndicator": "false",
      "cbc:AllowanceChargeReason": "Discount",
      "cbc:Amount": money(line.allowance, currency)
    },
    "cac:Item": {
      "cbc:Name": line.description,
      "cac:SellersItemIdentification": line.item === null ? null : { "cbc:ID": line.item },
      "cac:ClassifiedTaxCategory": category(line.tax)
    },
    "cac:Price": {
      "cbc:PriceAmount": { "@currencyID": currency, "#": line.price },
      "cbc:BaseQuantity": line.baseQuantity === null ? null : { "@unitCode": UNIT2, "#": line.baseQuantity }
    }
  };
}

// src/core/formats/ublFile/masked.ts
var ACCOUNTS4 = /(<(?:[\w.-]+:)?Pay(?:ee|er)FinancialAccount(?:\s[^<>]{0,500})?>\s*<(?:[\w.-]+:)?ID[^>]*>)([^<]*)/g;
var maskedUbl = (text2) => maskedNumbers(
  plainText(text2).replace(
    ACCOUNTS4,
    (_, tags, number) => tags + writtenOver(number)
  )
);

// src/core/formats/ublFile/index.ts
function ublTable(text2) {
  const read = readUbl(text2);
  if (!read.ok) return read;
  const { kind, number, issuedOn, dueOn, currency, tax, poNumber, buyer } = read.value;
  const { total, rounding, payable } = read.value;
  const sign = kind === "credit_note" ? -1 : 1;
  const written = (sum) => decimalOf(sign * sum, minorDigits(currency));
  const fields = {
    number,
    customerId: buyer.id ?? buyer.name ?? "",
    issuedOn,
    dueOn: dueOn ?? "",
    currency,
    total: written(total + rounding),
    balance: written(payable),
    tax: written(tax),
    poNumber: poNumber ?? "",
    terms: read.value.terms ?? ""
  };
  return ok(
    agreedTable("invoices", [{ line: 1, fields, doubt: doubtOf2(read.value) }], {
      proofs: ["lines, tax and total are what one another say"],
      madeOutTo: buyer.name
    })
  );
}
var CREDIT_NOTES = /* @__PURE__ */ new Set([
  "81",
  "83",
  "261",
  "296",
  "308",
  "381",
  "396",
  "420",
  "458",
  "532"
]);
var INVOICES = new Set(
  "80,82,84,295,326,331,380,382,383,384,385,386,387,388,389,390,393,394,395,456,457,527,553,575,623,633,780,817,870,875,876,877,935".split(
    ","
  )
);
var CORRECTED = "384";
function doubtOf2({ kind, typeCode, payable, total }) {
  if (kind === "credit_note" && (payable < 0 || total < 0)) return "negative_credit";
  if (typeCode === null) return null;
  if (typeCode === CORRECTED) return "corrects";
  if (!INVOICES.has(typeCode) && !CREDIT_NOTES.has(typeCode)) return "no_invoice";
  const says = CREDIT_NOTES.has(typeCode) ? "credit_note" : "invoice";
  if (says === kind) return null;
  return says === "credit_note" ? "credit_note" : "no_credit_note";
}
var ublFile = {
  name: "ubl",
  recognizes: (text2) => /urn:oasis:names:specification:ubl:schema:xsd:(?:Invoice|CreditNote)-2/.test(
    text2.slice(0, 4e3)
  ),
  read: ublTable,
  masked: maskedUbl
};

// src/core/formats/formats.ts
var FORMATS = [
  nacha,
  camt,
  ublFile,
  ofx,
  bai2,
  mt940,
  x820,
  markup,
  otherText,
  csv
];
function formatOf(text2) {
  return FORMATS.find(({ recognizes }) => recognizes(text2)) ?? csv;
}

// src/core/formats/returns.ts
var DISHONORED = /^R(?:6[1-9]|7[0-7])$/;
function readReturn(row) {
  const written = row.needed("code").toUpperCase();
  const code = /^([RC]\d\d)\b/.exec(written)?.[1] ?? written;
  const originalTrace = row.needed("originalTrace");
  row.needed("on");
  const on = row.day("on");
  const currency = row.currency("currency");
  const amount = row.amount("amount", currency);
  const kind = /^(change|98|noc)/i.test(row.text("record")) || code.startsWith("C") ? "change" : "return";
  if (code !== "" && !/^[RC]\d\d$/.test(code))
    row.refuse("code", { code: "return.code", text: code });
  if (DISHONORED.test(code)) row.refuse("code", { code: "return.dishonored", text: code });
  if (on === null) return null;
  return {
    line: row.line,
    kind,
    code,
    originalTrace,
    trace: row.text("trace") || `${originalTrace} ${code}`,
    on,
    mendBy: mendBy(on),
    currency,
    amount,
    name: row.text("name"),
    lastFour: row.text("account").replace(/\D/g, "").slice(-4),
    correction: row.text("correction")
  };
}

// src/core/formats/remittance.ts
function readRemittance(row) {
  row.needed("paidOn");
  row.needed("amount");
  const number = row.needed("number");
  const paidOn = row.day("paidOn");
  const currency = row.currency("currency");
  const [amount, total, discount] = [
    row.amount("amount", currency),
    row.amount("total", currency),
    row.amount("discount", currency)
  ];
  if (paidOn === null || amount === null) return null;
  return {
    line: row.line,
    trace: row.text("trace"),
    paidOn,
    payerName: row.text("payerName"),
    total,
    currency,
    number,
    amount,
    discount: minor(Math.abs(discount ?? 0))
  };
}
function advicesOf(records) {
  const groups = /* @__PURE__ */ new Map();
  for (const record of records) {
    const key = [
      record.trace || `${record.payerName}|${record.total ?? ""}`,
      record.paidOn,
      record.currency
    ].join("|");
    groups.set(key, [...groups.get(key) ?? [], record]);
  }
  return [...groups.values()].flatMap((lines) => {
    const [first2] = lines;
    return first2 ? [
      {
        trace: first2.trace,
        paidOn: first2.paidOn,
        payerName: first2.payerName,
        currency: first2.currency,
        sum: first2.total ?? sumOf(lines, ({ amount }) => amount),
        lines
      }
    ] : [];
  });
}

// src/core/formats/zones.ts
var zones = /* @__PURE__ */ new Map();
function dayInZone(moment, timeZone) {
  const format = zones.get(timeZone) ?? new Intl.DateTimeFormat("en-CA", {
    timeZone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit"
  });
  zones.set(timeZone, format);
  return format.format(moment);
}

// src/core/formats/rows.ts
var WRITTEN_BY_PEOPLE = /* @__PURE__ */ new Set([
  "reference",
  "description",
  "payerName",
  "payer_name"
]);
function placesOf(table, spec) {
  return Object.fromEntries(
    Object.entries(spec.columns).map(([field, header]) => [field, table.headers.indexOf(header)])
  );
}
var RowReader = class {
  constructor(places, spec, row, context) {
    this.places = places;
    this.spec = spec;
    this.row = row;
    this.context = context;
  }
  places;
  spec;
  row;
  context;
  problems = [];
  get line() {
    return this.row.line;
  }
  text(field) {
    const place = this.places[field];
    if (place === void 0) return "";
    const value = (this.row.cells[place] ?? "").trim();
    const problem = textProblem(value, MOST_IN_CELL);
    if (problem) {
      this.refuseOnce(field, { code: problem, where: field, most: MOST_IN_CELL });
      return "";
    }
    return WRITTEN_BY_PEOPLE.has(field) ? maskedNumbers(value) : value;
  }
  needed(field) {
    const value = this.text(field);
    if (value === "") this.refuse(field, { code: "field.empty", field });
    return value;
  }
  /**
   * An empty cell is null; one that cannot be read is a problem. A moment in UTC becomes a day in
   * the book's time zone.
   */
  day(field) {
    const value = this.text(field);
    if (value === "") return null;
    const moment = /^\d{4}-\d\d-\d\dT.*(?:Z|[+-]\d\d:?\d\d)$/.test(value) ? new Date(value) : null;
    if (moment && !Number.isNaN(moment.getTime())) return dayInZone(moment, this.context.timeZone);
    const day = parseDay(value, this.spec.dayOrder);
    if (day.ok) return day.value;
    this.refuse(field, day.error);
    return null;
  }
  currency(field) {
    const value = this.text(field);
    if (value === "") return this.context.bookCurrency;
    const currency = currencyOf(value);
    if (!currency) this.refuse(field, { code: "currency.unknown", text: value });
    else if (currency !== this.context.bookCurrency && !this.context.anyCurrency && !this.context.others?.includes(currency))
      this.refuse(field, {
        code: "currency.other",
        text: currency,
        book: this.context.bookCurrency
      });
    return currency ?? this.context.bookCurrency;
  }
  amount(field, currency) {
    const value = this.text(field);
    if (value === "") return null;
    const amount = parseAmount(value, this.spec.decimalMark, currency);
    if (amount.ok) return amount.value;
    this.refuse(field, amount.error);
    return null;
  }
  /** The addresses of a cell as one text, `a@x.example, b@x.example`; null where it is empty. */
  emails(field) {
    const value = this.text(field);
    const addresses = emailAddresses(value);
    if (addresses === null) this.refuseOnce(field, { code: "email.unreadable", text: value });
    return addresses === null || addresses.length === 0 ? null : addresses.join(", ");
  }
  /** A cell may be read more than once; it is refused once. */
  refuseOnce(field, error) {
    if (!this.problems.some((problem) => problem.field === field)) this.refuse(field, error);
  }
  refuse(field, error) {
    this.problems.push({
      line: this.row.line,
      field,
      column: this.spec.columns[field] ?? "",
      error
    });
  }
};
function readRows(table, spec, context, read) {
  const rows = [];
  const refused = [];
  const places = placesOf(table, spec);
  for (const row of table.rows) {
    const reader = new RowReader(places, spec, row, context);
    if (row.cells.length > table.headers.length && row.cells.slice(table.headers.length).some((cell) => cell.trim() !== "")) {
      refused.push({
        line: row.line,
        field: "",
        column: "",
        error: { code: "row.fields", found: row.cells.length, expected: table.headers.length }
      });
      continue;
    }
    const value = read(reader);
    if (reader.problems.length > 0) refused.push(...reader.problems);
    else if (value !== null) rows.push(value);
  }
  return { rows, refused };
}

// src/core/formats/missing.ts
var INSTEAD = {
  total: ["debit", "balance"],
  externalId: ["name"],
  amount: ["total"]
};
function missingFields(spec) {
  const has = (field) => spec.columns[field] !== void 0 || (spec.answers?.[`fixed:${field}`] ?? "").trim() !== "";
  const missing = FIELDS[spec.kind].filter(({ needed: needed2, field }) => needed2 && ![field, ...INSTEAD[field] ?? []].some(has)).map(({ field }) => field);
  if (spec.kind === "bank" && !has("amount") && !has("moneyIn")) missing.push("amount");
  if (spec.kind === "processor" && !["gross", "moneyIn", "net"].some(has)) missing.push("gross");
  return missing;
}
var missingInWords = (spec) => missingFields(spec).map((missing) => {
  const name = FIELDS[spec.kind].find(({ field }) => field === missing)?.names[0];
  return (name ?? missing).replaceAll("_", " ");
});

// src/core/formats/csv/notText.ts
var HEX = /^(?:[\da-f]{2} ?)+$/;
var asLetters = (text2) => HEX.test(text2) ? String.fromCharCode(...text2.split(" ").map((byte) => Number.parseInt(byte, 16))) : text2;
var KNOWN2 = [
  ["file.picture", 0, "89 50 4e 47"],
  ["file.picture", 0, "ff d8 ff"],
  ["file.picture", 0, "GIF8"],
  ["file.picture", 0, "49 49 2a 00"],
  ["file.picture", 0, "4d 4d 00 2a"],
  ["file.picture", 4, "ftypheic"],
  ["file.picture", 4, "ftypmif1"],
  ["file.picture", 4, "ftypavif"],
  ["file.picture", 8, "WEBP"],
  ["file.pdf", 0, "%PDF"],
  ["file.backup", 0, "SQLite format 3"],
  ["file.backup", 4, "Standard Jet DB"],
  ["file.backup", 0, "PAR1"],
  ["file.backup", 0, "1f 8b"],
  ["file.packed", 0, "37 7a bc af 27 1c"],
  ["file.packed", 0, "Rar!"],
  ["file.zip", 0, "50 4b 03 04"],
  ["file.old_sheet", 0, "d0 cf 11 e0"]
].map(([what, from, letters]) => [what, from, asLetters(letters)]);
var SHORT = [
  ["file.picture", "BM"],
  ["file.program", "MZ"]
];
function notText(bytes) {
  const head2 = String.fromCharCode(...bytes.subarray(0, 64));
  const [what] = KNOWN2.find(([, from, letters]) => head2.startsWith(letters, from)) ?? [];
  if (what !== void 0) return what;
  const [short2] = SHORT.find(([, letters]) => head2.startsWith(letters)) ?? [];
  return short2 !== void 0 && head2.includes("\0") ? short2 : null;
}

// src/core/formats/csv/windows1252.ts
var LETTERS = "\u20AC\x81\u201A\u0192\u201E\u2026\u2020\u2021\u02C6\u2030\u0160\u2039\u0152\x8D\u017D\x8F\x90\u2018\u2019\u201C\u201D\u2022\u2013\u2014\u02DC\u2122\u0161\u203A\u0153\x9D\u017E\u0178";
var isWindows1252 = (bytes) => bytes.every(
  (byte) => byte >= 32 && ![127, 129, 141, 143, 144, 157].includes(byte) || [9, 10, 12, 13].includes(byte)
);
var fromWindows1252 = (bytes) => new TextDecoder("latin1").decode(bytes).replace(/[\u0080-\u009f]/g, (letter) => LETTERS[letter.charCodeAt(0) - 128] ?? letter);

// src/core/formats/csv/decode.ts
function decodeText(bytes) {
  if (bytes.length === 0) return fail("file.empty");
  const foreign = notText(bytes);
  if (foreign) return fail(foreign);
  const wide = utf16Of(bytes);
  if (wide) return ok(new TextDecoder(wide).decode(bytes));
  if (bytes.subarray(0, 4096).includes(0)) return fail("file.binary");
  try {
    return ok(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    return isWindows1252(bytes) ? ok(fromWindows1252(bytes)) : fail("file.encoding", { line: firstBadLine(bytes) });
  }
}
function utf16Of(bytes) {
  if (bytes[0] === 255 && bytes[1] === 254) return "utf-16le";
  if (bytes[0] === 254 && bytes[1] === 255) return "utf-16be";
  const head2 = bytes.subarray(0, 400);
  if (head2.length < 8) return null;
  const empty = (odd) => head2.filter((byte, at2) => at2 % 2 === odd && byte === 0).length;
  const enough = head2.length * 0.4;
  if (empty(1) > enough && empty(0) === 0) return "utf-16le";
  return empty(0) > enough && empty(1) === 0 ? "utf-16be" : null;
}
function firstBadLine(bytes) {
  let line = 1;
  let from = 0;
  for (let at2 = 0; at2 <= bytes.length; at2 += 1) {
    if (at2 < bytes.length && bytes[at2] !== 10) continue;
    try {
      new TextDecoder("utf-8", { fatal: true }).decode(bytes.subarray(from, at2));
    } catch {
      return line;
    }
    line += 1;
    from = at2 + 1;
  }
  return line;
}

// src/core/formats/xlsx/days.ts
var FROM_1900 = 25569;
var FROM_1904 = 24107;
var LEAP_OF_1900 = 60;
var LAST = 2958466;
var MINUTES = 24 * 60;
function dayText(serial, is1904) {
  if (serial < 0 || serial >= LAST) return null;
  const minutes = Math.floor(Math.round(serial * MINUTES * 60) / 60);
  const [day, minute] = [Math.floor(minutes / MINUTES), minutes % MINUTES];
  const time = `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
  if (day === 0 && !is1904) return time;
  const early = !is1904 && day < LEAP_OF_1900 ? 1 : 0;
  const since = day + early - (is1904 ? FROM_1904 : FROM_1900);
  const text2 = new Date(since * 864e5).toISOString().slice(0, 10);
  return minute === 0 ? text2 : `${text2} ${time}`;
}
var two = (value) => String(value).padStart(2, "0");
function isoText(text2) {
  const [day = "", time = ""] = text2.split("T");
  const zone = /(?:Z|[+-]\d\d:\d\d)$/.exec(time)?.[0] ?? "";
  return time === "" || time.startsWith("00:00:00") ? day : `${day} ${time.slice(0, 5)}${zone}`;
}

// src/core/formats/xlsx/locales.ts
var CURRENCIES = {
  ...{ US: "USD", CA: "CAD", AU: "AUD", NZ: "NZD", MX: "MXN", SG: "SGD", HK: "HKD" },
  ...{ JP: "JPY", CN: "CNY", SE: "SEK", NO: "NOK", DK: "DKK", IS: "ISK" },
  ...{ "409": "USD", "1009": "CAD", C0C: "CAD", C09: "AUD", "1409": "NZD", "80A": "MXN" },
  ...{ "4809": "SGD", C04: "HKD", "411": "JPY", "804": "CNY", "41D": "SEK", "414": "NOK" },
  ...{ "814": "NOK", "406": "DKK", "40F": "ISK" }
};
function signIn(bracket) {
  const [, sign = "", place = ""] = /^\$([^-]*)(?:-(.*))?$/.exec(bracket) ?? [];
  if (!/^(?:\$|[¥￥]|kr\.?)$/.test(sign)) return sign;
  return CURRENCIES[(place.split("-").at(-1) ?? "").toUpperCase()] ?? sign;
}

// src/core/formats/xlsx/pieces.ts
var LONGEST2 = 255;
var PIECES = /"([^"]{0,255})"|\\(.)|\[([^\]]{0,255})\]|_.|\*.|(General|E[+-]|[#0?.,%@;])|([a-z]{1,20}\/?[a-z]{0,5})|(.)/gis;
var OF_DAYS = /^(?:[ymdhsegb]+|am\/pm|a\/p)$/i;
var textPiece = (text2) => ({ kind: "text", text: text2 });
var markPiece = (text2) => ({ kind: "mark", text: text2 });
function piecesOf(code) {
  const pieces2 = [];
  for (const found of code.slice(0, LONGEST2).matchAll(PIECES)) {
    const piece = pieceOf(found);
    if (piece !== null) pieces2.push(piece);
  }
  return pieces2;
}
function pieceOf([
  ,
  quoted,
  escaped2,
  bracket,
  mark,
  letters,
  other
]) {
  if (mark !== void 0) return markPiece(mark === "General" ? "0" : mark);
  if (bracket !== void 0) return { kind: "bracket", text: bracket };
  if (letters !== void 0) return OF_DAYS.test(letters) ? markPiece(letters) : textPiece(letters);
  const text2 = quoted ?? escaped2 ?? other;
  return text2 === void 0 ? null : textPiece(text2);
}
function inSections(pieces2) {
  const sections = [[]];
  for (const piece of pieces2)
    if (piece.kind === "mark" && piece.text === ";") sections.push([]);
    else sections.at(-1)?.push(piece);
  return sections;
}

// src/core/formats/xlsx/sections.ts
function sectionsOf(code) {
  const parts2 = inSections(piecesOf(code));
  return parts2.slice(0, 3).map((pieces2, at2) => sectionOf(pieces2, parts2.length > 1 && at2 === 1));
}
var MINUS_BEFORE = /^\s*[-\u2212(]|[^a-z\s]\s*[-\u2212(]\s*$/i;
var CONDITION = /^([<>]=?|=|<>)(-?\d+(?:\.\d+)?)$/;
function sectionOf(pieces2, isOfLess) {
  const marks = pieces2.flatMap(({ kind, text: text2 }) => kind === "mark" ? [text2] : []);
  const brackets = pieces2.flatMap(({ kind, text: text2 }) => kind === "bracket" ? [text2] : []);
  const isDigit = ({ kind, text: text2 }) => kind === "mark" && /^[#0?]$/.test(text2);
  const first2 = pieces2.findIndex(isDigit);
  const last = pieces2.findLastIndex(isDigit);
  const hasDigits = pieces2.some(({ kind, text: text2 }) => kind === "mark" && /^[#0]$/.test(text2));
  const before = textOf(pieces2.slice(0, Math.max(0, first2)));
  const after = textOf(pieces2.slice(last + 1));
  const words = textOf(pieces2).trim();
  const [, sign, than] = brackets.map((text2) => CONDITION.exec(text2)).find((found) => found) ?? [];
  return {
    before: bareWords(before),
    after: bareWords(after),
    isLess: MINUS_BEFORE.test(before) || /^\s*[-\u2212]\s*$/.test(after),
    isOfLess,
    isDay: isDay(marks, brackets),
    isPercent: marks.includes("%"),
    isScaled: pieces2[last + 1]?.kind === "mark" && pieces2[last + 1]?.text === ",",
    hasDigits,
    digits: digitsOf2(marks),
    pattern: patternOf(pieces2.slice(Math.max(0, first2), last + 1)),
    words,
    condition: sign === void 0 ? null : { sign, than: Number(than) }
  };
}
function bareWords(text2) {
  const isAside = (at2) => /[\s()+\u2212-]/.test(text2.charAt(at2));
  let [from, to] = [0, text2.length];
  while (from < to && isAside(from)) from += 1;
  while (to > from && isAside(to - 1)) to -= 1;
  return /[a-z]$/i.test(text2.slice(from, to)) && text2.slice(to) === "-" ? text2.slice(from) : text2.slice(from, to);
}
function textOf(pieces2) {
  return pieces2.map(({ kind, text: text2 }) => {
    if (kind === "text") return text2;
    return kind === "bracket" ? signIn(text2) : "";
  }).join("");
}
function isDay(marks, brackets) {
  if (brackets.some((text2) => /^(?:h+|m+|s+)$/i.test(text2))) return false;
  return marks.some((mark) => OF_DAYS.test(mark));
}
function digitsOf2(marks) {
  const point = marks.indexOf(".");
  if (point < 0) return 0;
  const behind = marks.slice(point + 1);
  const end = behind.findIndex((mark) => mark !== "0");
  return end < 0 ? behind.length : end;
}
function patternOf(pieces2) {
  const shape = pieces2.map(({ text: text2 }) => text2).join("");
  if (/[.,%?E]/.test(shape)) return "";
  return /^0{2,}/.test(shape) || /[^#0]/.test(shape) ? shape : "";
}
function sectionFor(sections, value) {
  if (sections.some(({ condition }) => condition !== null))
    return sections.find(({ condition }) => condition !== null && holds(condition, value)) ?? sections.find(({ condition }) => condition === null);
  const [first2, second, third] = sections;
  if (value < 0) return second ?? first2;
  return value === 0 ? third ?? first2 : first2;
}
function holds({ sign, than }, value) {
  switch (sign) {
    case "<":
      return value < than;
    case "<=":
      return value <= than;
    case ">":
      return value > than;
    case ">=":
      return value >= than;
    case "<>":
      return value !== than;
    default:
      return value === than;
  }
}

// src/core/formats/xlsx/numberFormat.ts
function numberFormat(code) {
  const sections = sectionsOf(code);
  return { code, sections, digits: sections[0]?.digits ?? 0 };
}
var SURE_DIGITS = 1e15;
function shownNumber(value, format, is1904) {
  const section = sectionFor(format.sections, value);
  if (section === void 0) return plain3(value, format.digits);
  if (section.isDay) return dayText(value, is1904) ?? plain3(value, 0);
  return otherThanSum(value, format, section) ?? sumIn(value, format, section);
}
function otherThanSum(value, format, section) {
  if (section.isPercent) return `${plain3(value * 100, 0)}%`;
  if (!section.hasDigits)
    return /[a-z]/i.test(section.words) ? section.words : plain3(value, format.digits);
  return section.isScaled ? plain3(value, 0) : null;
}
function sumIn(value, format, section) {
  const { before, after } = section;
  const size = section.pattern === "" ? plain3(Math.abs(value), format.digits) : null;
  const digits = size ?? inPattern(Math.abs(value), section.pattern);
  const saysSign = SIDES.test(before) || SIDES.test(after);
  const isLess = section.isLess || value < 0 && !(section.isOfLess && saysSign);
  return `${isLess ? "-" : ""}${joined2(before, digits, after)}`;
}
var SIDES = /^(?:cr|dr|c|d|credit|debit|h|s|haben|soll|haber|debe)\.?$/i;
function joined2(before, digits, after) {
  const lead = before === "" || /[-#/._$€£¥]$/.test(before) ? before : `${before} `;
  const tail = after === "" || /^[-/._]/.test(after) ? after : ` ${after}`;
  return `${lead}${digits}${tail}`;
}
function plain3(value, digits) {
  if (Math.abs(value) >= SURE_DIGITS) return value.toExponential().toUpperCase();
  const scale = 10 ** digits;
  const isWhole = Math.abs(value * scale - Math.round(value * scale)) < 1e-6;
  return digits > 0 && isWhole ? value.toFixed(digits) : String(Number(value.toFixed(6)));
}
function inPattern(value, pattern) {
  if (!Number.isInteger(value) || value >= SURE_DIGITS) return plain3(value, 0);
  const left = [...String(value)];
  const written = [];
  for (const mark of [...pattern].reverse()) {
    if (mark !== "0" && mark !== "#") {
      if (left.length > 0 || pattern.includes("0")) written.unshift(mark);
      continue;
    }
    const digit = left.pop() ?? (mark === "0" ? "0" : "");
    written.unshift(digit);
  }
  return left.join("") + written.join("");
}

// src/core/formats/xlsx/parts.ts
var childrenOf = (node, name) => node?.children.filter((child) => child.name === name) ?? [];
function sheetsOfBook(book) {
  const [list] = childrenOf(book, "sheets");
  const all = childrenOf(list, "sheet");
  const shown = all.filter(({ attributes }) => (attributes.state ?? "visible") === "visible");
  const sheets = (shown.length > 0 ? shown : all).map(({ attributes }) => ({
    name: attributes.name ?? "",
    relation: attributes.id ?? ""
  }));
  const [facts] = childrenOf(book, "workbookPr");
  return { sheets, is1904: isOn(facts?.attributes.date1904) };
}
var isOn = (text2) => text2 === "1" || text2 === "true";
function partsRelated(relations, folder) {
  const found = childrenOf(relations, "Relationship").map(({ attributes }) => ({
    id: attributes.Id ?? "",
    kind: (attributes.Type ?? "").split("/").at(-1) ?? "",
    path: pathFrom(folder, attributes.Target ?? "")
  }));
  return {
    byId: new Map(found.map(({ id, path }) => [id, path])),
    byKind: new Map(found.map(({ kind, path }) => [kind, path]))
  };
}
function pathFrom(folder, target) {
  const steps = target.startsWith("/") ? [] : folder.split("/");
  for (const step of target.split("/"))
    if (step === "..") steps.pop();
    else if (step !== "" && step !== ".") steps.push(step);
  return steps.filter((step) => step !== "").join("/");
}
var BUILT_IN = {
  ...{ 1: "0", 2: "0.00", 3: "#,##0", 4: "#,##0.00", 9: "0%", 10: "0.00%", 11: "0.00E+00" },
  ...{ 14: "m/d/yy", 15: "d-mmm-yy", 16: "d-mmm", 17: "mmm-yy", 18: "h:mm AM/PM", 19: "h:mm:ss" },
  ...{ 20: "h:mm", 21: "h:mm:ss", 22: "m/d/yy h:mm", 37: "#,##0;(#,##0)", 38: "#,##0;(#,##0)" },
  ...{ 39: "#,##0.00;(#,##0.00)", 40: "#,##0.00;(#,##0.00)", 45: "[m]:ss", 46: "[h]:mm:ss" },
  // The signs of these are those of the reader's country, and so no word on the currency.
  ...{ 5: "#,##0", 6: "#,##0", 7: "#,##0.00", 8: "#,##0.00", 41: "#,##0", 42: "#,##0" },
  ...{ 43: "#,##0.00", 44: "#,##0.00", 47: "[m]:ss", 48: "##0.0E+0" }
};
var isDayOfEast = (id) => id >= 27 && id <= 36 || id >= 50 && id <= 58;
var codeOf2 = (id) => BUILT_IN[id] ?? (isDayOfEast(id) ? "yyyy-m-d" : "General");
function formatsOfStyles(styles) {
  const [codes] = childrenOf(styles, "numFmts");
  const own = new Map(
    childrenOf(codes, "numFmt").map(({ attributes }) => [
      attributes.numFmtId,
      attributes.formatCode ?? ""
    ])
  );
  const [cells] = childrenOf(styles, "cellXfs");
  const made2 = /* @__PURE__ */ new Map();
  return childrenOf(cells, "xf").map(({ attributes }) => {
    const id = attributes.numFmtId ?? "0";
    const format = made2.get(id) ?? numberFormat(own.get(id) ?? codeOf2(Number(id)));
    made2.set(id, format);
    return format;
  });
}

// src/core/formats/xml/stream.ts
import { SaxesParser as SaxesParser2 } from "saxes";
var DEEPEST2 = 40;
var XmlStream = class {
  parser = new SaxesParser2();
  isBroken = false;
  depth = 0;
  constructor(events) {
    const { parser } = this;
    const giveUp = () => {
      this.isBroken = true;
    };
    parser.on("error", giveUp);
    parser.on("doctype", giveUp);
    parser.on("opentag", ({ name, attributes }) => {
      this.depth += 1;
      if (this.depth > DEEPEST2) this.isBroken = true;
      if (!this.isBroken) events.open(localOf(name), attributes);
    });
    parser.on("text", (piece) => {
      if (!this.isBroken) events.text(piece);
    });
    parser.on("cdata", (piece) => {
      if (!this.isBroken) events.text(piece);
    });
    parser.on("closetag", ({ name }) => {
      this.depth -= 1;
      if (!this.isBroken) events.close(localOf(name));
    });
  }
  /** Takes the next piece; false where the document is broken, or more than is taken. */
  write(piece) {
    if (!this.isBroken) this.parser.write(piece);
    return !this.isBroken;
  }
  /** Whether all of it could be read. */
  end() {
    if (!this.isBroken) this.parser.close();
    return !this.isBroken;
  }
};
function localOf(name) {
  const colon = name.indexOf(":");
  return colon < 0 ? name : name.slice(colon + 1);
}

// src/core/formats/xlsx/merged.ts
var MOST_MERGED = 5e3;
function columnOf(ref) {
  const letters = /^[A-Z]{1,3}/.exec(ref)?.[0] ?? "";
  return [...letters].reduce((place, letter) => place * 26 + letter.charCodeAt(0) - 64, 0) - 1;
}
var isWords = (text2) => /^\d{4}-\d\d-\d\d/.test(text2) || /[a-z]/i.test(text2);
function fillDown(rows, ref) {
  const found = /^([A-Z]{1,3})(\d{1,7}):([A-Z]{1,3})(\d{1,7})$/.exec(ref);
  if (!found || found[1] !== found[3]) return;
  const at2 = columnOf(ref);
  const from = Number(found[2]);
  const text2 = rows[from - 1]?.[at2] ?? "";
  if (!isWords(text2)) return;
  for (const cells of rows.slice(from, Math.min(Number(found[4]), from + MOST_MERGED))) {
    if (cells.length === 0) continue;
    while (cells.length < at2) cells.push("");
    cells[at2] ||= text2;
  }
}

// src/core/formats/xlsx/sheet.ts
var GENERAL = numberFormat("General");
var MOST_COLUMNS2 = 16384;
var SheetReader = class {
  constructor(book, mostRows) {
    this.book = book;
    this.mostRows = mostRows;
    this.xml = new XmlStream({
      open: (name, attributes) => this.open(name, attributes),
      text: (piece) => this.text(piece),
      close: (name) => this.close(name)
    });
  }
  book;
  mostRows;
  rows = [];
  /** Numbers of rows that the sheet hides, from 1. */
  hidden = [];
  /** Whether it has more rows or columns than are taken in. */
  isLarge = false;
  row = 0;
  isRowHidden = false;
  column = 0;
  cell = null;
  within = null;
  spoken = 0;
  xml;
  /** Takes the next piece; false where there is no use in going on. */
  write(piece) {
    return this.xml.write(piece) && !this.isLarge;
  }
  /** Whether all of it could be read. */
  end() {
    return this.xml.end();
  }
  open(name, attributes) {
    switch (name) {
      case "row":
        this.row = attributes.r === void 0 ? this.row + 1 : Number(attributes.r);
        this.isRowHidden = isOn(attributes.hidden);
        this.column = 0;
        break;
      case "c":
        this.beginCell(attributes);
        break;
      case "mergeCell":
        fillDown(this.rows, attributes.ref ?? "");
        break;
      default:
        this.openWithin(name);
    }
  }
  /** What stands within a cell. How words are spoken is no part of them. */
  openWithin(name) {
    if (name === "rPh") this.spoken += 1;
    if (name === "f" && this.cell) this.cell.formula ??= "";
    if (name === "f" || name === "v") this.within = name;
    if (name === "t") this.within = this.spoken === 0 ? "t" : null;
  }
  beginCell({ r, t, s }) {
    const at2 = r === void 0 ? this.column : columnOf(r);
    this.column = at2 + 1;
    if (at2 < 0 || at2 >= MOST_COLUMNS2) this.isLarge = true;
    this.cell = { at: at2, kind: t ?? "n", style: Number(s ?? 0), value: "", formula: null };
  }
  text(piece) {
    const { cell, within } = this;
    if (cell === null || within === null) return;
    if (within === "f") cell.formula = (cell.formula ?? "") + piece;
    else cell.value += piece;
  }
  close(name) {
    this.within = null;
    if (name === "rPh") this.spoken -= 1;
    if (name !== "c" || this.cell === null) return;
    const text2 = this.textOf(this.cell);
    if (text2 !== "") this.put(this.cell.at, text2);
    this.cell = null;
  }
  /** A row is there once a cell of it says something. */
  put(at2, text2) {
    if (!(this.row >= 1 && this.row <= this.mostRows)) this.isLarge = true;
    if (this.isLarge) return;
    while (this.rows.length < this.row) this.rows.push([]);
    const cells = this.rows[this.row - 1] ?? [];
    while (cells.length < at2) cells.push("");
    cells[at2] = text2;
    if (this.isRowHidden && this.hidden.at(-1) !== this.row) this.hidden.push(this.row);
  }
  /**
   * A cell as text. What came to nothing stays as it stands (`#N/A`, `=A1+B1`), so that it is refused
   * and not taken for an empty cell.
   */
  textOf({ kind, style, value, formula }) {
    if (value === "") return formula === null ? "" : `=${formula}`;
    switch (kind) {
      case "s":
        return (this.book.strings[Number(value)] ?? "").trim();
      case "b":
        return isOn(value) ? "yes" : "no";
      case "d":
        return isoText(value);
      case "str":
      case "inlineStr":
      case "e":
        return value.trim();
      default:
        return this.number(value, style);
    }
  }
  number(text2, style) {
    const value = Number(text2);
    if (!Number.isFinite(value)) return text2.trim();
    return shownNumber(value, this.book.formats[style] ?? GENERAL, this.book.is1904);
  }
};

// src/core/formats/xlsx/strings.ts
var StringsReader = class {
  strings = [];
  here = "";
  isText = false;
  spoken = 0;
  xml = new XmlStream({
    open: (name) => {
      if (name === "si") this.here = "";
      if (name === "rPh") this.spoken += 1;
      this.isText = name === "t" && this.spoken === 0;
    },
    text: (piece) => {
      if (this.isText) this.here += piece;
    },
    close: (name) => {
      if (name === "si") this.strings.push(this.here);
      if (name === "rPh") this.spoken -= 1;
      this.isText = false;
    }
  });
  write(piece) {
    return this.xml.write(piece);
  }
  end() {
    return this.xml.end();
  }
};

// src/core/formats/mailServer.ts
var PORTS = { "smtp:": 587, "smtps:": 465 };
function mailServerOf(text2) {
  const url = URL.canParse(text2) ? new URL(text2) : null;
  const port = url && PORTS[url.protocol];
  if (!url || !port || !isHost(url.hostname) || !endsThere(text2, url))
    return fail("mail_server.address");
  const [user, secret] = [decoded(url.username), decoded(url.password)];
  if (user === null || secret === null) return fail("mail_server.address");
  return ok({
    host: url.hostname.replace(/^\[|\]$/g, ""),
    port: url.port === "" ? port : Number(url.port),
    secure: url.protocol === "smtps:",
    user: user || null,
    secret: secret || null
  });
}
var isHost = (name) => /^(\[[0-9a-f:.]+\]|[a-z0-9]([a-z0-9.-]*[a-z0-9])?)$/i.test(name);
var endsThere = (text2, url) => !/[?#\s]/.test(text2) && ["", "/"].includes(url.pathname);
function decoded(text2) {
  try {
    return decodeURIComponent(text2);
  } catch {
    return null;
  }
}

export {
  FIELDS,
  FILE_KIND_TRAITS,
  FILE_KINDS,
  ROW_KINDS,
  ROW_KIND_NAMES,
  ACTIVITY_ORDER,
  guessRowKind,
  FEE_KINDS,
  PAYOUT_COLUMNS,
  PROCESSOR_ITEM_KINDS,
  kindsInColumn,
  withoutAccents,
  plainWords,
  headWords,
  guessMapping,
  guessColumns,
  markOf,
  readCustomer,
  readInvoice,
  readBankLine,
  ofSameLine,
  returnCodeOf,
  returnableUntil,
  retryOf,
  ADVICE_DAYS,
  joinAdvice,
  METHODS,
  move,
  readActivity,
  expectedPayoutDay,
  JOURNAL_FIELDS,
  xmlTree,
  SHEET_MARK,
  factRecords,
  HEADING,
  isGroupName,
  readTable,
  headedAt,
  writeUbl,
  formatOf,
  readReturn,
  readRemittance,
  advicesOf,
  dayInZone,
  readRows,
  missingFields,
  missingInWords,
  decodeText,
  sheetsOfBook,
  partsRelated,
  formatsOfStyles,
  SheetReader,
  StringsReader,
  mailServerOf,
  DECIMAL,
  harmless
};
