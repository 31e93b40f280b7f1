import { letterIn, type LettersByLanguage, type LetterTemplate } from "./letters";

/** Fields: customer, business, method (the card in words), month (its last), link (to the pay page). */
const LETTERS: LettersByLanguage = {
  en: {
    subject: "Your card at {{ business }} runs out soon",
    body: `{{ customer }},

your card {{ method }}, from which we take what is due as you agreed, can be used until the end of {{ month }}. Please give us another before that, or a bank account:

{{ link }}

You owe nothing by this letter. Thank you.

{{ business }}
`,
  },
  es: {
    subject: "Su tarjeta en {{ business }} vence pronto",
    body: `{{ customer }}:

su tarjeta {{ method }}, de la que cobramos lo que vence como usted acordó, sirve hasta el final de {{ month }}. Indíquenos antes otra, o una cuenta bancaria:

{{ link }}

Con esta carta no debe nada. Gracias.

{{ business }}
`,
  },
  fr: {
    subject: "Votre carte chez {{ business }} arrive à échéance",
    body: `{{ customer }},

votre carte {{ method }}, dont nous prélevons ce qui est dû comme convenu, est valable jusqu’à la fin de {{ month }}. Merci de nous en indiquer une autre d’ici là, ou un compte bancaire :

{{ link }}

Cette lettre ne vous demande aucun paiement. Merci.

{{ business }}
`,
  },
  de: {
    subject: "Ihre Karte bei {{ business }} läuft bald ab",
    body: `{{ customer }},

Ihre Karte {{ method }}, von der wir wie vereinbart abbuchen, was fällig ist, gilt bis Ende {{ month }}. Bitte nennen Sie uns vorher eine andere, oder ein Bankkonto:

{{ link }}

Mit diesem Schreiben schulden Sie nichts. Vielen Dank.

{{ business }}
`,
  },
};

/** The words of a language; English where there are none of it. */
export const cardLetter = (language: string): LetterTemplate => letterIn(LETTERS, language);
