import { letterIn, type LettersByLanguage, type LetterTemplate } from "./letters";

/**
 * That a sum will be taken as agreed, told before it is. Fields: customer, business, sum, day (from
 * which it is taken), method, numbers, link (to the page where it is ended, or paid otherwise).
 */
const LETTERS: LettersByLanguage = {
  en: {
    subject: "{{ business }} takes {{ sum }} on {{ day }}",
    body: `{{ customer }},

as you agreed, we take {{ sum }} for {{ numbers }} from {{ method }} on {{ day }} or the next banking day. You need do nothing.

To end the agreement, or to pay in another way before that day:

{{ link }}

{{ business }}
`,
  },
  es: {
    subject: "{{ business }} cobra {{ sum }} el {{ day }}",
    body: `{{ customer }}:

como usted acordó, cobramos {{ sum }} por {{ numbers }} de {{ method }} el {{ day }} o el siguiente día hábil bancario. No tiene que hacer nada.

Para terminar el acuerdo, o pagar de otra forma antes de ese día:

{{ link }}

{{ business }}
`,
  },
  fr: {
    subject: "{{ business }} prélève {{ sum }} le {{ day }}",
    body: `{{ customer }},

comme convenu, nous prélevons {{ sum }} pour {{ numbers }} de {{ method }} le {{ day }} ou le jour ouvré bancaire suivant. Vous n’avez rien à faire.

Pour mettre fin à l’accord, ou payer autrement avant ce jour :

{{ link }}

{{ business }}
`,
  },
  de: {
    subject: "{{ business }} bucht am {{ day }} {{ sum }} ab",
    body: `{{ customer }},

wie vereinbart buchen wir am {{ day }} oder am nächsten Bankarbeitstag {{ sum }} für {{ numbers }} von {{ method }} ab. Sie brauchen nichts zu tun.

Um die Vereinbarung zu beenden, oder vor diesem Tag anders zu bezahlen:

{{ link }}

{{ business }}
`,
  },
};

/** The words of a language; English where there are none of it. */
export const sumLetter = (language: string): LetterTemplate => letterIn(LETTERS, language);
