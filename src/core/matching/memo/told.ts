import type { Day } from "@/core/calendar";
import { type Currency, type Minor, parseAmount } from "@/core/money";

import { plainCapitals } from "../payers/names";

/**
 * What the words of a memo say of how the money is meant, in eight languages
 * (common practice, no source). Words weigh: a reading that they tell of comes
 * before one that only its sum speaks for.
 */
export type Told = {
  readonly oldestFirst: boolean;
  readonly statement: boolean;
  /** The day up to which a statement goes, where it is said. */
  readonly until: Day | null;
  readonly credit: boolean;
  readonly discount: boolean;
  readonly fee: boolean;
  readonly restAndNext: boolean;
  readonly less: boolean;
  /** More is paid than is named: "etc.", dots. */
  readonly more: boolean;
  readonly inParts: boolean;
  /** It is paid ahead, for what is not invoiced yet. */
  readonly ahead: boolean;
  /** Sums of money that stand in it. */
  readonly sums: readonly Minor[];
};

const OLDEST =
  /\b(?:OLDEST|EARLIEST)\b|\b(?:ALTESTE|AELTESTE|ALTERE)[NRS]?\b|\bPLUS ANCIENNES?\b|\bMAS ANTIGU[AO]S?\b|\bPIU VECCHIE\b|\bOUDSTE\b|\bMAIS ANTIGAS?\b|\bNAJSTARSZ/;
const STATEMENT =
  /\b(?:STATEMENT|STMT|KONTOAUSZUG|AUSZUG|SALDENLISTE|RELEVE|ESTADO DE CUENTA|EXTRACTO|ESTRATTO CONTO|REKENINGOVERZICHT|EXTRATO|ZESTAWIENIE)\b/;
const CREDIT =
  /\b(?:CREDIT(?: NOTE)?S?|CREDIT MEMO|CN|GUTSCHRIFT(?:EN)?|AVOIRS?|NOTA (?:DE )?CREDITO|ABONO|NOTA DI CREDITO|CREDITNOTA)\b/;
const DISCOUNT =
  /\b(?:DISCOUNT|DISC|SKONTO|ESCOMPTE|DESCUENTO|DTO|SCONTO|KORTING|DESCONTO|RABAT)\b/;
const FEE =
  /\b(?:BANK (?:CHARGES?|FEES?|COSTS?)|CHARGES|BANKSPESEN|BANKGEBUHR(?:EN)?|SPESEN|FRAIS(?: BANCAIRES?)?|GASTOS(?: BANCARIOS)?|COMISION(?: BANCARIA)?|SPESE BANCARIE|BANKKOSTEN)\b/;
const NEXT =
  /\b(?:NEXT(?: ONE| INVOICE)?|NACHSTEN?|NAECHSTEN?|FOLGENDEN?|SUIVANTE?|SIGUIENTE|PROSSIMA|SUCCESSIVA|VOLGENDE|SEGUINTE|NASTEPN)/;
const REST = /\b(?:REST|REMAINDER|BALANCE|SOLDE|RELIQUAT|SALDO|RESTO|RESTANTE|RESTBETRAG)\b/;
const LESS =
  /\b(?:LESS|MINUS|NET OF|EXCEPT|EXCL(?:UDING)?|WITHOUT|ABZGL|ABZUGLICH|ABZUEGLICH|OHNE|MOINS|SAUF|MENOS|SALVO|MENO|MIN|EXCLUSIEF)\b/;
const MORE = /\.\.\.|…|\b(?:ETC|USW|U\.?A|AND OTHERS?|ET AUTRES|Y OTRAS|E ALTRE|EN MEER)\b/;
const IN_PARTS =
  /\b(?:PART(?:IAL)?(?: PAYMENT)?|INSTALL?MENT|TEILZAHLUNG|ANZAHLUNG|RATE|ACOMPTE|VERSEMENT|PAGO PARCIAL|CUOTA|ACCONTO|RATA|TERMIJN|1 OF \d|ON ACCOUNT)\b/;

const AHEAD =
  /\b(?:DEPOSIT|PRE-?PAY(?:MENT)?|ADVANCE|RETAINER|DOWN PAYMENT|ANZAHLUNG|VORKASSE|VORAUSZAHLUNG|ACOMPTE|AVANCE|ANTICIPO|ACCONTO|ANTICIPAZIONE|VOORSCHOT|AANBETALING|ADIANTAMENTO|SINAL|ZALICZKA)\b/;

const MONTHS: readonly RegExp[] = [
  /\b(?:JAN(?:UARY|UAR|UARI|VIER)?|ENERO|ENE|GENNAIO|GEN|JANEIRO)\b/,
  /\b(?:FEB(?:RUARY|RUAR|RUARI|RERO|BRAIO)?|FEVRIER|FEVR|FEVEREIRO)\b/,
  /\b(?:MAR(?:CH|S|ZO|CO)?|MARZ|MAERZ|MRZ|MAART)\b/,
  /\b(?:APR(?:IL|ILE)?|AVRIL|AVR|ABRIL|ABR)\b/,
  /\b(?:MAY|MAI|MAYO|MAGGIO|MAG|MEI|MAIO)\b/,
  /\b(?:JUNE?|JUNI|JUIN|JUNIO|GIUGNO|GIU|JUNHO)\b/,
  /\b(?:JULY?|JULI|JUILLET|JUIL|JULIO|LUGLIO|LUG|JULHO)\b/,
  /\b(?:AUG(?:UST|USTUS)?|AOUT|AGOSTO|AGO)\b/,
  /\b(?:SEPT?(?:EMBER|EMBRE|IEMBRE)?|SETTEMBRE|SET|SETEMBRO)\b/,
  /\b(?:OCT(?:OBER|OBRE|UBRE)?|OKT(?:OBER)?|OTTOBRE|OTT|OUTUBRO)\b/,
  /\b(?:NOV(?:EMBER|EMBRE|IEMBRE|EMBRO)?)\b/,
  /\b(?:DEC(?:EMBER|EMBRE)?|DEZ(?:EMBER|EMBRO)?|DIC(?:IEMBRE|EMBRE)?)\b/,
];

const SUMS =
  /(?<![\d.,/-])\d{1,3}(?:[.,']\d{3})*[.,]\d\d(?![\d.,/-]*\d)|(?<![\d.,/-])\d+[.,]\d\d(?![\d.,/-]*\d)/g;

/** Reads the words of a memo. `on` is the day of the payment, which tells the year of a month. */
export function toldIn(text: string, on: Day, currency: Currency): Told {
  const plain = plainCapitals(text);
  const says = (words: RegExp): boolean => words.test(plain);
  return {
    oldestFirst: says(OLDEST),
    statement: says(STATEMENT),
    until: untilIn(plain, on),
    credit: says(CREDIT),
    discount: says(DISCOUNT),
    fee: says(FEE),
    restAndNext: says(NEXT) && says(REST),
    less: says(LESS),
    more: says(MORE),
    inParts: says(IN_PARTS),
    ahead: says(AHEAD),
    sums: [...plain.matchAll(SUMS)].flatMap((found) => sumIn(found[0], currency) ?? []),
  };
}

/** A sum as it stands in words: what is before its last two digits is its decimal mark. */
export function sumIn(written: string, currency: Currency): Minor | null {
  const [whole, decimals] = [written.slice(0, -3).replace(/\D/g, ""), written.slice(-2)];
  const parsed = parseAmount(`${whole}.${decimals}`, ".", currency);
  return parsed.ok ? parsed.value : null;
}

function untilIn(text: string, on: Day): Day | null {
  const written = /\b(20\d\d)-(\d\d)-(\d\d)\b/.exec(text)?.[0];
  if (written) return written as Day;
  const at = MONTHS.findIndex((month) => month.test(text));
  if (at < 0) return null;
  const [year, month] = [Number(on.slice(0, 4)), Number(on.slice(5, 7))];
  const said = /\b20\d\d\b/.exec(text)?.[0];
  const of = said ? Number(said) : year - (at + 1 > month ? 1 : 0);
  const last = new Date(Date.UTC(of, at + 1, 0)).getUTCDate();
  return `${of}-${String(at + 1).padStart(2, "0")}-${last}` as Day;
}
