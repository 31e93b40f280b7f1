import type { RowKind } from "@/core/activity/index";

import { plainWords } from "@/core/formats";

/** What a word that stands in a column of kinds or of states means for money. */
export type State = "counts" | "none" | "pending";

/**
 * What processors call their rows, by whole words and not by parts of them, so that nothing is taken
 * for what it only resembles (common practice, no source).
 */
const KIND_WORDS: Readonly<Record<Exclude<RowKind, "ignore">, string>> = {
  charge:
    "charge,charges,pay in,payin,payment,payments,sale,sales,capture,captured,card payment,card charge,credit card payment,ach payment,ach charge,bank payment,bank debit payment,ach debit,invoice payment,online payment,payment received,customer payment,purchase,order,card sale,echeck,e check,echeck payment,direct debit,direct debit payment,auth capture,auth and capture,authorize and capture,authorization and capture,authorization with capture,authorization with auto capture,authorization w auto capture,auth w capture,prior auth capture,capture only,subscription payment,recurring payment,mobile payment,web payment,website payment,express checkout payment,checkout payment,payment captured,charge captured,payment paid out,force,forced,force sale,forced sale,zahlung,zahlungseingang,kartenzahlung,verkauf,paiement,paiement cb,paiement carte,paiement par carte,paiement carte bancaire,encaissement,vente,pago,cobro,venta,pagamento,incasso,vendita,betaling,verkoop,receipt,zahlung erhalten,erhaltene zahlung,paiement recu,pago recibido,pagamento ricevuto,betaling ontvangen",
  fee: "fee,fees,processing fee,processing fees,transaction fee,service fee,monthly fee,platform fee,merchant fee,account fee,provider fee,app fee,statement fee,subscription fee,payout fee,instant payout fee,instant transfer fee,pay in fee,pci fee,pci compliance fee,assessment fee,batch fee,card fee,ach fee,transfer fee,gateway fee,interchange,billing,charge fee,payment fee,gebuhr,gebuhren,frais,commission,comision,commissione,kosten",
  refund:
    "refund,refunds,charge refunded,payment refund,payment refunded,charge refund,partial refund,full refund,card refund,refunded payment,ach refund,customer refund,refund issued,refunded,return of goods refund,money back,remboursement cb,remboursement carte,remboursement client,erstattung,ruckerstattung,ruckzahlung,gutschrift an kunden,remboursement,reembolso,devolucion,rimborso,terugbetaling",
  dispute:
    "dispute,disputes,dispute created,charge dispute created,charge dispute funds withdrawn,dispute funds withdrawn,chargeback,chargebacks,charge back,dispute opened,dispute withdrawn,dispute withdrawal,chargeback opened,chargeback withdrawal,chargeback debit,payment charged back,dispute debit,payment dispute,claim,ruckbelastung,kreditkartenruckbuchung,retrofacturation,litige,contracargo,contestazione",
  dispute_won:
    "dispute won,charge dispute funds reinstated,chargeback won,chargeback reversal,dispute reversal,dispute reversed,chargeback reversed,dispute funds reinstated,dispute credit,chargeback credit,chargeback returned,dispute released,won dispute",
  dispute_fee:
    "dispute fee,chargeback fee,charge back fee,fee for dispute,dispute fees,chargeback fees",
  ach_return:
    "ach return,returned payment,ach reject,payment return,returned ach,bank return,nsf,returned debit,ach debit return,payment failure refund,failed ach,ach returned,rucklastschrift,rejet,impaye,devuelto",
  return_fee: "return fee,ach return fee,returned payment fee,nsf fee,returned item fee,reject fee",
  reserve:
    "reserve,reserve hold,reserve release,reserved funds,reserve held,reserve released,rolling reserve,rolling reserve hold,rolling reserve release,hold,hold release,release,funds held,funds released,reserve transaction,reserve withheld,reserve returned",
  adjustment:
    "adjustment,adjustments,balance adjustment,correction,account adjustment,anpassung,korrektur,ajustement,ajuste,correccion,rettifica,correctie",
  started:
    "pending,initiated,started,submitted,in process,ach pending,pending payment,payment pending,debit started,debit initiated,ach initiated,payment initiated",
  payout:
    "payout,payouts,pay out,transfer to bank,bank transfer out,deposit to bank,withdrawal to bank,bank deposit,settlement payout,payout paid,automatic transfer to bank,settlement to bank,bank settlement,general withdrawal,general withdrawal bank account,withdrawal to bank account,bank withdrawal,bank payout,auszahlung,auszahlung auf konto,auszahlung an bank,virement sortant,versement,abono en cuenta,pago a banco,accredito,uitbetaling,transfer to bank account,payout to bank,disbursement,retiro,retiro a banco,retiro de fondos,saque",
};
const KIND_OF = new Map<string, RowKind>(
  Object.entries(KIND_WORDS).flatMap(([kind, words]) =>
    words.split(",").map((word) => [word, kind as RowKind] as const),
  ),
);

/** What names a kind is short; a text of more is looked at no further. */
const LONGEST_KIND = 200;

/** The kind of row that a word surely stands for; null where a person is to say. */
export function sureKind(word: string): RowKind | null {
  if (word.length > LONGEST_KIND) return null;
  const plain = plainWords(word);
  return (
    KIND_OF.get(plain) ??
    kindInState(plain) ??
    kindOfWhom(plain) ??
    (FEE_GIVEN_BACK.test(plain) ? "fee" : null) ??
    (RETURN_WITH_CODE.test(plain) ? "ach_return" : null)
  );
}

/** What came back, with the code that says why (Nacha Operating Rules, Appendix Four). */
const RETURN_WITH_CODE = /^(?:ach |debit )?return(?:ed)? r\d\d$/;

/** A fee that comes back, which is no fee for giving something back (common practice, no source). */
const FEE_GIVEN_BACK =
  /^(?:(?:\w+ ){0,2}fees? (?:refund(?:ed)?|reversal|reversed|rebate|credit(?:ed)?|given back)|(?:refunded|reversed|rebated) (?:\w+ ){0,2}fees?|(?:refund|reversal|rebate) of (?:\w+ ){0,2}fees?)$/;

/** Whether a word says that a fee comes back. */
export const isFeeGivenBack = (word: string): boolean => FEE_GIVEN_BACK.test(plainWords(word));

/** What a line is by whom its text names: `payment from Ada`, `sent to bank 4417` (common practice, no source). */
function kindOfWhom(plain: string): RowKind | null {
  if (/^(?:payment|payment received|money received) from \S/.test(plain)) return "charge";
  return /^(?:sent|paid out|transfer|transferred|deposited|withdrawn|withdrawal) to (?:your |the |my )?bank\b/.test(
    plain,
  )
    ? "payout"
    : null;
}

/** Words at the beginning of a text that are looked at for a kind. */
const MOST_WORDS = 4;

/** The longest beginning of a text that surely names a kind of activity; empty where none does. */
export function kindBegun(text: string): string {
  const words = plainWords(text).split(" ").slice(0, MOST_WORDS);
  for (let count = words.length; count > 0; count -= 1) {
    const begun = words.slice(0, count).join(" ");
    if (sureKind(begun) !== null) return begun;
  }
  return "";
}

/** Kinds whose rows are told with their state in one word. */
const TOLD_IN_STATE: ReadonlySet<RowKind> = new Set(["charge", "refund", "payout"]);

/** A kind with its state in one word, as `ACH debit, pending`, `payment completed` or `refund.sent`. */
function kindInState(plain: string): RowKind | null {
  const words = plain.split(" ");
  for (let at = 1; at < words.length; at += 1) {
    const [before, behind] = [words.slice(0, at).join(" "), words.slice(at).join(" ")];
    for (const [word, state] of [
      [before, behind],
      [behind, before],
    ] as const) {
      const kind = KIND_OF.get(word);
      if (kind === undefined || !TOLD_IN_STATE.has(kind)) continue;
      // "Payment processing" is what some call a fee: only words that mean a way to go are taken.
      if (kind === "charge" && /^(?:pending|initiated|submitted|started)$/.test(state))
        return "started";
      if (STATE_OF.get(state) === "counts" || /^(?:sent|issued)$/.test(state)) return kind;
    }
  }
  return null;
}

/**
 * What goes back by a word that shops use of goods and banks of debits: a debit that came back where
 * the line says its code or that it was one; null where a person is to say.
 */
export const isReturnWord = (word: string): boolean => /^return(?:ed)?$/.test(plainWords(word));

const STATE_WORDS: Readonly<Record<State, string>> = {
  counts:
    "succeeded,success,successful,paid,complete,completed,settled,captured,available,posted,cleared,approved,approval,processed,funded,done,ok,booked,book,final,received,accepted,deposited,paid out,won,ausgezahlt,verfugbar,erfolgreich,abgeschlossen,bezahlt,gebucht,umsatz gebucht,reussi,paye,complet,effectue,termine,terminee,encaisse,reglee,completado,pagado,completato,eseguito,voltooid,betaald,concluido,settled successfully,funds sent,contabilizzato,udført,utført,gjennomført,zaksiegowano,contabilizado,00,000,valide,validee,approuve,acceptee,liquidado,liquidada,abonado,abonada,cobrado,cobrada,aprobado,aprobada,aprovado,acreditado,genehmigt,goedgekeurd,approvato",
  none: "payout failed,failed payout,payout returned,payout canceled,payout cancelled,payout failure,failed,failure,declined,decline,void,voided,canceled,cancelled,expired,rejected,error,denied,blocked,abandoned,incomplete,unsuccessful,fehlgeschlagen,abgelehnt,storniert,echoue,refuse,annule,fallido,rechazado,cancelado,anulado,rifiutato,annullato,fallito,geweigerd,geannuleerd,mislukt,refusee,annulee,rejete,rejetee,echouee,rechazada,cancelada,anulada,fallida,rifiutata,annullata,fallita,zuruckgewiesen,auth declined,do not honor,do not honour,insufficient funds,not approved,expired card,invalid card,card declined,pick up card,lost card,stolen card,call issuer,refer to issuer,over limit,requires payment method,requires action,removed",
  pending:
    "uncleared,not cleared,pending,processing,in process,in progress,initiated,submitted,authorized,authorised,uncaptured,on hold,requires capture,pending settlement,in transit,scheduled,queued,unsettled,pdng,pdg,awaiting,vorgemerkt,umsatz vorgemerkt,ausstehend,offen,non contabilizzato,afventer,venter,vantar,en attente,en cours,pendiente,en proceso,in attesa,in lavorazione,in behandeling,pendente",
};
const STATE_OF = new Map<string, State>(
  (Object.entries(STATE_WORDS) as [State, string][]).flatMap(([state, words]) =>
    words.split(",").map((word) => [word, state] as const),
  ),
);

/** What a word of a state surely says of money; null where a person is to say. */
export const sureState = (word: string): State | null => STATE_OF.get(plainWords(word)) ?? null;

const MONEY_IN =
  "credit,cr,c,crdt,h,haben,in,deposit,deposits,bij,avere,abono,ingreso,haber,entrada,credit transfer,ach credit,incoming,money in,gutschrift,credito,+";
const MONEY_OUT =
  "debit,dr,d,dbit,s,soll,out,withdrawal,withdrawals,af,dare,cargo,gasto,debe,saida,outgoing,money out,lastschrift,belastung,debito,payment out,-,ach debit";

/** The way that money went, by a word of a column of directions: 1 in, -1 out; null where it says none. */
export function sureDirection(word: string): 1 | -1 | null {
  const plain = plainWords(word) || word.trim();
  if (MONEY_IN.split(",").includes(plain)) return 1;
  return MONEY_OUT.split(",").includes(plain) ? -1 : null;
}

const LEDGER =
  /^(?:(?:ach )?(?:credit|debit)s?|cr|dr|c|d|crdt|dbit|soll|haben|s|h|dare|avere|debe|haber|debito|credito)$/;

/** A word that a bank writes from its customer's side and a ledger from its own, the other way round. */
export const isLedgerWord = (word: string): boolean => LEDGER.test(plainWords(word));
