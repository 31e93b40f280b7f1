import type { Language } from "@/core/followup";

/** What the account page says, in the customer's language. */
export type AccountWords = {
  account: string;
  open: string;
  overdue: string;
  nothing: string;
  onAccount: string;
  together: string;
  number: string;
  what: string;
  issued: string;
  due: string;
  total: string;
  left: string;
  credit: string;
  statement: string;
  paper: string;
  late: (days: number) => string;
  questions: string;
  ask: string;
  payments: string;
  receipt: string;
  asOf: string;
  pay: string;
};

export const ACCOUNT_WORDS: Record<Language, AccountWords> = {
  en: {
    account: "Your account with",
    open: "open",
    overdue: "past its date",
    nothing: "Nothing is open. Thank you.",
    onAccount: "On your account",
    together: "Together",
    number: "Number",
    what: "For",
    issued: "Issued",
    due: "Due",
    total: "Total",
    left: "Open",
    credit: "credit note",
    statement: "Statement of account",
    paper: "PDF",
    late: (days) => (days === 1 ? "1 day ago" : `${days} days ago`),
    questions: "Questions, or something that is wrong:",
    ask: "Ask a question",
    payments: "Your last payments",
    receipt: "Receipt",
    asOf: "as of",
    pay: "Pay now",
  },
  es: {
    account: "Su cuenta con",
    open: "pendiente",
    overdue: "vencido",
    nothing: "No hay nada pendiente. Gracias.",
    onAccount: "A su favor",
    together: "En total",
    number: "Número",
    what: "Concepto",
    issued: "Fecha",
    due: "Vence",
    total: "Importe",
    left: "Pendiente",
    credit: "nota de crédito",
    statement: "Estado de cuenta",
    paper: "PDF",
    late: (days) => (days === 1 ? "hace 1 día" : `hace ${days} días`),
    questions: "Preguntas, o algo que no es correcto:",
    ask: "Hacer una pregunta",
    payments: "Sus últimos pagos",
    receipt: "Recibo",
    asOf: "al",
    pay: "Pagar ahora",
  },
  fr: {
    account: "Votre compte chez",
    open: "ouvert",
    overdue: "échu",
    nothing: "Rien n’est ouvert. Merci.",
    onAccount: "À votre crédit",
    together: "Ensemble",
    number: "Numéro",
    what: "Objet",
    issued: "Date",
    due: "Échéance",
    total: "Montant",
    left: "Ouvert",
    credit: "avoir",
    statement: "Relevé de compte",
    paper: "PDF",
    late: (days) => (days === 1 ? "il y a 1 jour" : `il y a ${days} jours`),
    questions: "Une question, ou une erreur :",
    ask: "Poser une question",
    payments: "Vos derniers paiements",
    receipt: "Reçu",
    asOf: "au",
    pay: "Payer maintenant",
  },
  de: {
    account: "Ihr Konto bei",
    open: "offen",
    overdue: "überfällig",
    nothing: "Es ist nichts offen. Vielen Dank.",
    onAccount: "Guthaben",
    together: "Zusammen",
    number: "Nummer",
    what: "Wofür",
    issued: "Ausgestellt",
    due: "Fällig",
    total: "Betrag",
    left: "Offen",
    credit: "Gutschrift",
    statement: "Kontoauszug",
    paper: "PDF",
    late: (days) => (days === 1 ? "vor 1 Tag" : `vor ${days} Tagen`),
    questions: "Fragen, oder etwas stimmt nicht:",
    ask: "Eine Frage stellen",
    payments: "Ihre letzten Zahlungen",
    receipt: "Quittung",
    asOf: "Stand",
    pay: "Jetzt zahlen",
  },
};
