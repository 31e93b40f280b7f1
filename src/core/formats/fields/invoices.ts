import { type FieldSpec, text, typed } from "./spec";

export const invoices: readonly FieldSpec[] = [
  text(
    "number",
    "invoice_number,number,invoice no,invoice,invoice number,document number,doc no,inv no,num,no,invoice num,inv number,document no,document,doc number,reference number,ref no,invoice id,rechnungsnummer,rechnung,rechnungsnr,rechnungs nr,belegnummer,belegnr,beleg,numero de facture,facture,no facture,n facture,piece,numero de factura,factura,numero factura,n factura,fattura,numero fattura,factuurnummer,factuur,fatura,transaction number,txn number,doc,inv,numero documento,numero del documento,nº factura,nº de factura,reference,customer invoice,customer and invoice,customer document,name invoice,our ref,our reference,numero,nummer,factuurnr,factuur nr,fakturanummer,fakturanr,faktura,numer faktury,numer",
    true,
  ),
  text(
    "customerId",
    "customer_id,customer number,customer no,customer,account number,customer code,account no,customer ref,customer id,client id,client,client number,client name,customer name,cust no,cust id,account code,account id,account,acct no,kundennummer,kunde,kunden nr,debitor,kundenname,numero client,code client,nom du client,codigo cliente,cliente,codice cliente,klantnummer,klant,billing name,name,bill to,sold to,contact,contact name,company,customer full name,full name,display name,company name,client full name,bill to name,sold to name,kunde name,partner,party,debtor,debtor name,debiteur,debiteurnaam,klantnaam,naam,nom client,raison sociale,nome cliente,razon social,destinatario,kontrahent,nabywca,kundnamn,kundenavn,customer name and number,ragione sociale,denominazione,card code,card name,partner name,invoice partner display name,member",
    true,
  ),
  text("customerName", "customer_name"),
  typed(
    "day",
    "issuedOn",
    "issued_on,invoice date,date,issue date,issued,created at,document date,posting date,bill date,billed on,doc date,inv date,date issued,date of issue,created,created on,transaction date,txn date,rechnungsdatum,datum,belegdatum,date de facture,date facture,emise le,emis le,date d emission,fecha,fecha factura,fecha de factura,fecha de emision,fecha expedicion,fecha de expedicion,data,data fattura,factuurdatum,data documento,invoice bill date,dato,fakturadato,fakturadatum,posted,posted on,date posted,posted date,booked,booked on,entry date,raised,raised on,date raised,invoiced,invoiced on,inv dt,ordered,ordered on,order date,emision,emission,emissione,ausgestellt am",
    true,
  ),
  typed(
    "day",
    "dueOn",
    "due_on,due date,due,net due date,date due,payment due,payment due date,pay by,falligkeit,faelligkeit,faellig am,faelligkeitsdatum,faellig,fallig am,falligkeitsdatum,fallig,echeance,date d echeance,date echeance,vencimiento,fecha de vencimiento,fecha vencimiento,scadenza,data scadenza,vervaldatum,vencimento,fecha vto,doc due date,maturity,maturity date,forfald,forfaldsdato,forfallsdato,forfallodatum",
  ),
  typed(
    "currency",
    "currency",
    "currency,ccy,cur,curr,currency code,invoice currency,doc cur,wahrung,waehrung,devise,moneda,divisa,valuta,moeda",
  ),
  typed(
    "amount",
    "total",
    "total,amount,invoice total,gross,invoice amount,grand total,original amount,orig amount,original total,document total,document amount,inv amount,invoice value,amount total,total amount,total incl tax,total inc tax,gross total,gross amount,amount gross,total gross,invoice amount gross,betrag brutto,rechnungsbetrag brutto,gesamtbetrag brutto,bruttobetrag,brutto,rechnungsbetrag,betrag,gesamtbetrag,summe,montant ttc,total ttc,montant,importe,importe total,beløb,belopp,importo,totale,bedrag,totaal,valor,original,invoice amount total,total incl vat,total including vat,total incl gst,total inc vat,total inc gst,total with tax,amount incl tax,amount incl vat,total amount incl tax,face amount,ttc,amount in doc currency,amt lc,amount lc,amt in lc,amt dc,amount dc,amount in dc,doc amount,doc amt,amount doc curr,amount doc currency,amount in document currency,amount in doc curr,amount in local currency,amount in local curr,amount in lc,amount in lcy,amount in loc curr,amount billed,billed amount,work billed,total billed,amount invoiced,invoiced amount,montant total,total facture,total amount due,totale documento,importo totale,total factura,importe factura,foreign amount,billed,invoiced,doc total,total signed,value,line total,charged",
    true,
  ),
  typed(
    "amount",
    "balance",
    "balance,open,open balance,amount due,outstanding,balance due now,due now,amount due now,open amount,balance due,remaining,remaining balance,amount open,still open,unpaid,unpaid balance,outstanding amount,outstanding balance,amount outstanding,open bal,current balance,restbeløb,restbelopp,restbetrag,offener betrag,offen,reste a payer,solde,solde du,saldo,saldo pendiente,pendiente,residuo,openstaand,openstaand bedrag,saldo aberto,balance outstanding,invoice amount due,invoice balance,net due,due amount,amount remaining,remaining amount,amount unpaid,amount still due,total due,total outstanding,reste du,residual,amount residual,balance amount,amount still open,to pay,amount to pay,amount due signed,unallocated,o s,o s balance,o s amount,due",
  ),
  typed(
    "amount",
    "tax",
    "tax,sales tax,tax amount,vat,tax total,total tax,vat amount,gst,hst,taxes,mwst,ust,umsatzsteuer,tva,iva,btw",
  ),
  text(
    "poNumber",
    "po_number,po,purchase order,po no,order number,p o number,p o no,po num,customer po,customer order,customer reference,purchase order number,order no,bestellnummer,bon de commande,pedido",
  ),
  text(
    "terms",
    "terms,payment terms,term,payment term,zahlungsbedingungen,zahlungsziel,zahlungsbedingung,conditions,condiciones",
  ),
  text(
    "description",
    "description,memo,for,details,text,memo description,item,subject,notes,verwendungszweck,libelle,descripcion,concepto,descrizione,omschrijving",
  ),
  text(
    "type",
    "type,document type,transaction type,doc type,kind,record type,txn type,belegart,art,type de piece,tipo,tipo de documento,move type",
  ),
  text(
    "status",
    "status,state,invoice status,payment status,financial status,document status,statut,etat,estado,estado cobro,estado de cobro,stato",
  ),
  typed(
    "amount",
    "paid",
    "paid,amount paid,paid amount,payments,paid to date,payments received,total paid,payments applied,received,bezahlt,gezahlt,deja paye,regle,paye,pagado,cobrado,pagato,betaald,invoice amount paid,amount received,total received,amount collected,applied,amount applied,payments credits,acconti,acconto",
  ),
  typed("amount", "debit", "debit,debits,debit amount,charges,charge,soll,debe,dare"),
  typed("amount", "credit", "credit,haben,haber,avere"),
  typed(
    "amount",
    "credited",
    "credits,credit applied,credits applied,credited,credit amount,amount credited",
  ),
];
