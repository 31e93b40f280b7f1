import type { LetterWords } from "./words";

const FEE = `{% if fee %}For this letter we charge {{ fee }}, which is not in the sum above.

{% endif %}`;
const LINK = `{% if link %}Everything that is open, the statement and each invoice:
{{ link }}

{% endif %}`;
const WRONG =
  "If something about {% if count == 1 %}it{% else %}them{% endif %} is wrong, tell us, and we stop asking until it is settled.";

export const ENGLISH: LetterWords = {
  due: "due",
  credit: "credit on your account",
  together: "together",
  tones: [
    {
      subject:
        "{% if ahead %}Coming due: {{ sum }}{% else %}{% if count == 1 %}One invoice{% else %}{{ count }} invoices{% endif %} past the due date, {{ sum }}{% endif %}",
      body: `Dear {{ customer }},

{% if ahead %}{% if count == 1 %}an invoice of yours falls due soon{% else %}{{ count }} invoices of yours fall due soon{% endif %}: {{ sum }}. If the payment is prepared already, there is nothing to do.{% elsif count == 1 %}one invoice of yours is past its date, by {{ oldest_days }} {% if oldest_days == 1 %}day{% else %}days{% endif %}: {{ sum }}. Perhaps it only slipped through; if the payment is on its way already, thank you, and please disregard this letter.{% else %}{{ count }} invoices of yours are past their dates, the oldest by {{ oldest_days }} days. Together they come to {{ sum }}. Perhaps it only slipped through; if the payment is on its way already, thank you, and please disregard this letter.{% endif %}

{{ table }}

${LINK}${WRONG}

Kind regards
{{ business }}
`,
    },
    {
      subject: "Still open: {{ sum }}, the oldest for {{ oldest_days }} days",
      body: `Dear {{ customer }},

we wrote to you before about what is open. {% if count == 1 %}One invoice is past its date by {{ oldest_days }} days: {{ sum }}.{% else %}{{ count }} invoices are past their dates, the oldest by {{ oldest_days }} days. Together they come to {{ sum }}.{% endif %}

{{ table }}

${FEE}${LINK}Please let us know by {{ reply_by }} which day we can expect the payment. ${WRONG}

Kind regards
{{ business }}
`,
    },
    {
      subject: "Please settle {{ sum }}: the oldest {{ oldest_days }} days late",
      body: `Dear {{ customer }},

in spite of our letters {{ sum }} is still open, the oldest part of it for {{ oldest_days }} days.

{{ table }}

${FEE}${LINK}We ask you to pay by {{ reply_by }}, or to call us so that we can agree on dates. Otherwise we will have to hold further deliveries until the account is settled.

{{ business }}
`,
    },
    {
      subject: "Last letter before further steps: {{ sum }}",
      body: `Dear {{ customer }},

we have written and called, and {{ sum }} is still not paid; the oldest part has been due for {{ oldest_days }} days.

{{ table }}

${FEE}${LINK}This is our last letter about it. Unless the whole sum is with us by {{ reply_by }}, or we have agreed on dates with you by then, we stop supplying you and hand the matter on for collection. ${WRONG}

{{ business }}
`,
    },
  ],
};
