import { letterIn, type LettersByLanguage, type LetterTemplate } from "./letters";

/** Fields: customer, business, sum, numbers (of the invoices that it paid). The receipt goes with it. */
const LETTERS: LettersByLanguage = {
  en: {
    subject: "Receipt from {{ business }}: {{ sum }}",
    body: `{{ customer }},

we have your payment of {{ sum }} for {{ numbers }}. The receipt is with this mail. Thank you.

{{ business }}
`,
  },
  es: {
    subject: "Recibo de {{ business }}: {{ sum }}",
    body: `{{ customer }}:

hemos recibido su pago de {{ sum }} por {{ numbers }}. El recibo va con este correo. Gracias.

{{ business }}
`,
  },
  fr: {
    subject: "Reçu de {{ business }} : {{ sum }}",
    body: `{{ customer }},

nous avons reçu votre paiement de {{ sum }} pour {{ numbers }}. Le reçu est joint. Merci.

{{ business }}
`,
  },
  de: {
    subject: "Beleg von {{ business }}: {{ sum }}",
    body: `{{ customer }},

Ihre Zahlung von {{ sum }} für {{ numbers }} ist da. Der Beleg liegt bei. Vielen Dank.

{{ business }}
`,
  },
};

/** The words of a language; English where there are none of it. */
export const receiptLetter = (language: string): LetterTemplate => letterIn(LETTERS, language);
