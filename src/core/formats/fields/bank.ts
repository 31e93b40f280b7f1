import { type FieldSpec, text, typed } from "./spec";

export const bank: readonly FieldSpec[] = [
  text(
    "id",
    "id,transaction id,bank reference,bank id,line id,bank ref,ref no,transaction no,transaction number,transaction reference,fitid,unique id,entry reference",
  ),
  typed(
    "day",
    "postedOn",
    "posted_on,date,posting date,booked on,transaction posted date,booking date,post date,date posted,posted date,posted,booked,transaction date,booked date,buchungstag,buchungsdatum,buchung,datum,date operation,date de comptabilisation,date comptable,date d operation,fecha,fecha operacion,fecha de operacion,fecha contable,data,data contabile,data operazione,completed date,date completed,boekdatum,transactiedatum,data mov,dato,bokforingsdag,bokforingsdatum,bokføringsdato,transaktionsdag,transaksjonsdato,data ksiegowania,data księgowania,data operacji,data transakcji,timestamp,date time,datetime,entry date,effective date,trans date,eff date,as of date,as of,run date,posted transactions date,transactions date,activity date,txn date,effective,date du jour,buchung datum,book date,processed,booking,booking day,value date,val date,valutadatum,day,data lancamento,data do lancamento",
    true,
  ),
  typed(
    "amount",
    "amount",
    "amount,sum,value,transaction amount,betrag,umsatz,montant,importe,importo,bedrag,valor,amount usd,net amount,transaktionsbetrag,belopp,beløb,beløp,kwota,kwota operacji,summa",
  ),
  typed(
    "amount",
    "moneyIn",
    "money in,credit,deposits,deposit,paid in,credits,credit amount,amount credit,cr,credit cr,receipts,additions,amount in,received,haben,gutschrift,credit eur,credits usd,abono,abonos,haber,ingreso,ingresos,avere,entrate,bij,credito,creditos,einzahlung,einzahlungen,recettes,inflow,in,incoming,credited,deposited,amount received,c,amount cr,cr amount,insattning,insättning,indbetaling,inn,ind,innskudd,uznania,wplywy,wpływy",
  ),
  typed(
    "amount",
    "moneyOut",
    "money out,debit,withdrawals,withdrawal,paid out,debits,debit amount,amount debit,dr,debit dr,payments,subtractions,amount out,spent,soll,lastschrift,belastung,cargo,cargos,debe,gasto,gastos,dare,uscite,af,debito,debitos,auszahlung,auszahlungen,depenses,outflow,out,outgoing,debited,withdrawn,amount sent,d,amount dr,dr amount,uttag,udbetaling,ut,ud,obciazenia,obciążenia,wydatki",
  ),
  typed(
    "currency",
    "currency",
    "currency,ccy,cur,currency code,account currency,wahrung,waehrung,whg,devise,moneda,divisa,valuta,munt,moeda",
  ),
  text(
    "description",
    "description,original description,full description,descrizione completa,details,memo,text,narrative,particulars,transaction description,transaction details,transaction,reference,message,additional information,verwendungszweck,buchungstext,beschreibung,libelle,libelle operation,detail,operation,concepto,descripcion,descrizione,causale,omschrijving,mededelingen,descricao,historico,remittance information,remittance info,remit info,remittance text,booking text,payment details,transaction narrative,narration,obi,originator to beneficiary information,remarks,comment,notes,transaction text,purpose,zweck,tekst,beskrivning,beskrivelse,transaktion,transaksjon,forklaring,buchungsdetails,umsatzdetails,zahlungsgrund,opis,opis operacji,avisierungstext,rubrik,lancamento,transaction remarks,transaction particulars,particular,remark,tytul,tytuł,tytul operacji,what",
    true,
  ),
  text(
    "payerName",
    "payer,payer name,payee,name,party,counterparty,originator,beneficiary,sender,auftraggeber begunstigter,auftraggeber empfanger,begunstigter zahlungspflichtiger,zahlungspflichtiger,empfanger,beguenstigter zahlungspflichtiger,auftraggeber beguenstigter,auftraggeber empfaenger,empfaenger,nom,donneur d ordre,tiers,ordenante,beneficiario,ordinante,naam tegenpartij,naam omschrijving,tegenpartij,merchant,merchant name,payee payer,payer payee",
  ),
  typed(
    "amount",
    "balance",
    "balance,running balance,current balance,balance after,closing balance,balance usd,available balance,ledger balance,account balance,closing bal,running bal,running total,saldo,saldos,kontostand,solde,saldo disponible,saldo contabile,saldo na mutatie,running,saldo po operacji,bokfort saldo,bogført saldo,ending balance,saldo contabilistico,posted balance,daily posted balance,daily balance,day end balance,end of day balance",
  ),
  text(
    "direction",
    "direction,debit credit,credit debit,dr cr,cr dr,d c,c d,dc,cd,debit or credit,credit or debit,debit credit indicator,cdt dbt ind,sign,indicator,soll haben,s h,sh,af bij,sens,type,transaction type,kind,tipo,entry type,typ,art",
  ),
  text(
    "account",
    "account,account number,account no,account id,account name,account ending,own account,auftragskonto,iban auftragskonto,konto,eigenes konto,compte,numero de compte,cuenta,numero de cuenta,conto,numero conto,rekening,rekeningnummer,conta",
  ),
  text("status", "status,state,transaction status,posting status,statut,etat,estado,stato"),
];
