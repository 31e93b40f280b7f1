/** The words of a paper in its customer's language. */
export type PaperWords = Readonly<
  Record<
    | "invoice"
    | "credit_note"
    | "draft"
    | "date"
    | "due"
    | "po"
    | "corrects"
    | "description"
    | "quantity"
    | "rate"
    | "amount"
    | "less"
    | "discount"
    | "on"
    | "within"
    | "total"
    | "withheld"
    | "payable"
    | "questions"
    | "tax_number"
    | "pay_here"
    | "bank"
    | "slip"
    | "paid"
    | "deposit"
    | "less_deposit"
    | "in_parts",
    string
  >
>;

const ENGLISH: PaperWords = {
  invoice: "Invoice",
  credit_note: "Credit note",
  draft: "(draft)",
  date: "Date",
  due: "Due",
  po: "PO number",
  corrects: "Corrects invoice",
  description: "Description",
  quantity: "Quantity",
  rate: "Rate",
  amount: "Amount",
  less: "less",
  discount: "Discount",
  on: "on",
  within: "in it",
  total: "Total",
  withheld: "Withheld",
  payable: "To be paid",
  questions: "Questions",
  tax_number: "Tax number",
  pay_here: "Your account, and the way to pay",
  bank: "By bank",
  slip: "Please return this slip with your payment",
  paid: "Amount paid",
  deposit: "Deposit of",
  less_deposit: "Less deposit",
  in_parts: "Due in parts",
};

const WORDS: Readonly<Record<string, PaperWords>> = {
  en: ENGLISH,
  es: {
    invoice: "Factura",
    credit_note: "Nota de crédito",
    draft: "(borrador)",
    date: "Fecha",
    due: "Vencimiento",
    po: "Pedido",
    corrects: "Corrige la factura",
    description: "Descripción",
    quantity: "Cantidad",
    rate: "Precio",
    amount: "Importe",
    less: "menos",
    discount: "Descuento",
    on: "sobre",
    within: "incluido",
    total: "Total",
    withheld: "Retenido",
    payable: "A pagar",
    questions: "Preguntas",
    tax_number: "Número fiscal",
    pay_here: "Su cuenta y cómo pagar",
    bank: "Por banco",
    slip: "Devuelva este talón con su pago",
    paid: "Importe pagado",
    deposit: "Anticipo del",
    less_deposit: "Menos anticipo",
    in_parts: "Vence en plazos",
  },
  fr: {
    invoice: "Facture",
    credit_note: "Avoir",
    draft: "(brouillon)",
    date: "Date",
    due: "Échéance",
    po: "Commande",
    corrects: "Corrige la facture",
    description: "Désignation",
    quantity: "Quantité",
    rate: "Prix",
    amount: "Montant",
    less: "moins",
    discount: "Remise",
    on: "sur",
    within: "inclus",
    total: "Total",
    withheld: "Retenu",
    payable: "À payer",
    questions: "Questions",
    tax_number: "Numéro fiscal",
    pay_here: "Votre compte, et comment payer",
    bank: "Par banque",
    slip: "Merci de joindre ce talon à votre paiement",
    paid: "Montant payé",
    deposit: "Acompte de",
    less_deposit: "Moins acompte",
    in_parts: "Payable en plusieurs fois",
  },
  de: {
    invoice: "Rechnung",
    credit_note: "Gutschrift",
    draft: "(Entwurf)",
    date: "Datum",
    due: "Fällig",
    po: "Bestellung",
    corrects: "Berichtigt Rechnung",
    description: "Bezeichnung",
    quantity: "Menge",
    rate: "Preis",
    amount: "Betrag",
    less: "abzüglich",
    discount: "Rabatt",
    on: "auf",
    within: "darin",
    total: "Gesamt",
    withheld: "Einbehalten",
    payable: "Zu zahlen",
    questions: "Fragen",
    tax_number: "Steuernummer",
    pay_here: "Ihr Konto, und wie man zahlt",
    bank: "Überweisung",
    slip: "Bitte legen Sie diesen Abschnitt Ihrer Zahlung bei",
    paid: "Gezahlter Betrag",
    deposit: "Anzahlung von",
    less_deposit: "Abzüglich Anzahlung",
    in_parts: "Fällig in Raten",
  },
};

/** The words of a language (`de`); English where there are none of it. */
export const paperWords = (language: string | undefined): PaperWords =>
  WORDS[language ?? "en"] ?? ENGLISH;
