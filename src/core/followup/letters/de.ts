import type { LetterWords } from "./words";

const FEE = `{% if fee %}Für diesen Brief berechnen wir {{ fee }}; der Betrag ist in der Summe oben nicht enthalten.

{% endif %}`;
const LINK = `{% if link %}Alles Offene, der Kontoauszug und jede Rechnung:
{{ link }}

{% endif %}`;
const WRONG =
  "Stimmt etwas daran nicht, sagen Sie es uns; bis es geklärt ist, fragen wir nicht weiter danach.";

export const GERMAN: LetterWords = {
  due: "fällig",
  credit: "Guthaben auf Ihrem Konto",
  together: "zusammen",
  tones: [
    {
      subject:
        "{% if ahead %}Bald fällig: {{ sum }}{% else %}{% if count == 1 %}Eine Rechnung ist überfällig{% else %}{{ count }} Rechnungen sind überfällig{% endif %}, {{ sum }}{% endif %}",
      body: `Guten Tag, {{ customer }},

{% if ahead %}bald {% if count == 1 %}wird eine Ihrer Rechnungen{% else %}werden {{ count }} Ihrer Rechnungen{% endif %} fällig: {{ sum }}. Ist die Zahlung schon vorbereitet, brauchen Sie nichts zu tun.{% elsif count == 1 %}eine Ihrer Rechnungen ist seit {{ oldest_days }} {% if oldest_days == 1 %}Tag{% else %}Tagen{% endif %} überfällig: {{ sum }}. Vielleicht ist sie nur liegen geblieben; ist die Zahlung schon unterwegs, vielen Dank, dann ist dieser Brief gegenstandslos.{% else %}{{ count }} Ihrer Rechnungen sind überfällig, die älteste seit {{ oldest_days }} Tagen. Zusammen sind es {{ sum }}. Vielleicht sind sie nur liegen geblieben; ist die Zahlung schon unterwegs, vielen Dank, dann ist dieser Brief gegenstandslos.{% endif %}

{{ table }}

${LINK}${WRONG}

Freundliche Grüße
{{ business }}
`,
    },
    {
      subject: "Noch offen: {{ sum }}, das älteste seit {{ oldest_days }} Tagen",
      body: `Guten Tag, {{ customer }},

wir haben Ihnen schon geschrieben. {% if count == 1 %}Eine Rechnung ist seit {{ oldest_days }} Tagen überfällig: {{ sum }}.{% else %}{{ count }} Rechnungen sind überfällig, die älteste seit {{ oldest_days }} Tagen. Zusammen sind es {{ sum }}.{% endif %}

{{ table }}

${FEE}${LINK}Bitte sagen Sie uns bis zum {{ reply_by }}, wann wir mit der Zahlung rechnen können. ${WRONG}

Freundliche Grüße
{{ business }}
`,
    },
    {
      subject: "Bitte zahlen Sie {{ sum }}: {{ oldest_days }} Tage überfällig",
      body: `Guten Tag, {{ customer }},

trotz unserer Briefe sind noch {{ sum }} offen, der älteste Teil seit {{ oldest_days }} Tagen.

{{ table }}

${FEE}${LINK}Wir bitten Sie, bis zum {{ reply_by }} zu zahlen oder uns anzurufen, damit wir Termine vereinbaren können. Sonst müssen wir weitere Lieferungen zurückhalten, bis das Konto ausgeglichen ist.

{{ business }}
`,
    },
    {
      subject: "Letzter Brief vor weiteren Schritten: {{ sum }}",
      body: `Guten Tag, {{ customer }},

wir haben geschrieben und angerufen, und {{ sum }} sind noch immer nicht bezahlt; der älteste Teil ist seit {{ oldest_days }} Tagen fällig.

{{ table }}

${FEE}${LINK}Dies ist unser letzter Brief dazu. Haben wir bis zum {{ reply_by }} weder die ganze Summe erhalten noch Termine mit Ihnen vereinbart, beliefern wir Sie nicht mehr und geben die Sache zum Einzug weiter. ${WRONG}

{{ business }}
`,
    },
  ],
};
