/** Subject and words of the mail that a document goes with, in a safe template language (Liquid). */
export type CoverTemplate = { readonly subject: string; readonly body: string };

/**
 * The words of each language. Fields: customer, business, number, total, due, is_credit, link (to the
 * paper; empty where the book has no address for it), account (to all that is open; empty likewise).
 */
const COVERS: Readonly<Record<string, CoverTemplate>> = {
  en: {
    subject:
      "{% if is_credit %}Credit note{% else %}Invoice{% endif %} {{ number }} from {{ business }}",
    body: `{{ customer }},

{% if is_credit %}here is credit note {{ number }} of {{ total }}.{% else %}here is invoice {{ number }} of {{ total }}, due on {{ due }}.{% endif %} It is attached as a PDF, with its data inside.
{% if link != "" %}
The paper: {{ link }}{% endif %}{% if account != "" %}
All that is open, and the way to pay: {{ account }}
{% endif %}
{{ business }}
`,
  },
  es: {
    subject:
      "{% if is_credit %}Nota de crédito{% else %}Factura{% endif %} {{ number }} de {{ business }}",
    body: `{{ customer }}:

{% if is_credit %}Adjuntamos la nota de crédito {{ number }} de {{ total }}.{% else %}Adjuntamos la factura {{ number }} de {{ total }}, con vencimiento el {{ due }}.{% endif %} El PDF contiene también sus datos.
{% if link != "" %}
El documento: {{ link }}{% endif %}{% if account != "" %}
Todo lo pendiente y cómo pagar: {{ account }}
{% endif %}
{{ business }}
`,
  },
  fr: {
    subject: "{% if is_credit %}Avoir{% else %}Facture{% endif %} {{ number }} de {{ business }}",
    body: `{{ customer }},

{% if is_credit %}Veuillez trouver ci-joint l’avoir {{ number }} de {{ total }}.{% else %}Veuillez trouver ci-joint la facture {{ number }} de {{ total }}, à régler pour le {{ due }}.{% endif %} Le PDF en contient aussi les données.
{% if link != "" %}
Le document : {{ link }}{% endif %}{% if account != "" %}
Tout ce qui est ouvert, et comment payer : {{ account }}
{% endif %}
{{ business }}
`,
  },
  de: {
    subject:
      "{% if is_credit %}Gutschrift{% else %}Rechnung{% endif %} {{ number }} von {{ business }}",
    body: `{{ customer }},

{% if is_credit %}anbei die Gutschrift {{ number }} über {{ total }}.{% else %}anbei die Rechnung {{ number }} über {{ total }}, fällig am {{ due }}.{% endif %} Das PDF enthält auch ihre Daten.
{% if link != "" %}
Das Papier: {{ link }}{% endif %}{% if account != "" %}
Alles, was offen ist, und wie man zahlt: {{ account }}
{% endif %}
{{ business }}
`,
  },
};

/** The words of a language; English where there are none of it. */
export const coverTemplate = (language: string): CoverTemplate =>
  COVERS[language] ?? (COVERS.en as CoverTemplate);
