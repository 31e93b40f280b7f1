import type { LetterWords } from "./words";

const FEE = `{% if fee %}Pour cette lettre, nous facturons {{ fee }}, qui ne sont pas compris dans la somme ci-dessus.

{% endif %}`;
const LINK = `{% if link %}Tout ce qui est ouvert, le relevé et chaque facture :
{{ link }}

{% endif %}`;
const WRONG =
  "Si quelque chose n’est pas exact, dites-le-nous, et nous cesserons de le réclamer jusqu’à ce que ce soit réglé.";

export const FRENCH: LetterWords = {
  due: "échéance",
  credit: "avoir sur votre compte",
  together: "au total",
  tones: [
    {
      subject:
        "{% if ahead %}Bientôt à échéance : {{ sum }}{% else %}{% if count == 1 %}Une facture échue{% else %}{{ count }} factures échues{% endif %}, {{ sum }}{% endif %}",
      body: `Bonjour {{ customer }},

{% if ahead %}{% if count == 1 %}une de vos factures arrive bientôt à échéance{% else %}{{ count }} de vos factures arrivent bientôt à échéance{% endif %} : {{ sum }}. Si le paiement est déjà préparé, il n’y a rien à faire.{% elsif count == 1 %}une de vos factures est échue depuis {{ oldest_days }} {% if oldest_days == 1 %}jour{% else %}jours{% endif %} : {{ sum }}. C’est peut-être un simple oubli ; si le paiement est déjà en route, merci, et ne tenez pas compte de cette lettre.{% else %}{{ count }} de vos factures sont échues, la plus ancienne depuis {{ oldest_days }} jours. Elles font {{ sum }} au total. C’est peut-être un simple oubli ; si le paiement est déjà en route, merci, et ne tenez pas compte de cette lettre.{% endif %}

{{ table }}

${LINK}${WRONG}

Cordialement
{{ business }}
`,
    },
    {
      subject: "Toujours ouvert : {{ sum }}, le plus ancien depuis {{ oldest_days }} jours",
      body: `Bonjour {{ customer }},

nous vous avons déjà écrit à ce sujet. {% if count == 1 %}Une facture est échue depuis {{ oldest_days }} jours : {{ sum }}.{% else %}{{ count }} factures sont échues, la plus ancienne depuis {{ oldest_days }} jours. Elles font {{ sum }} au total.{% endif %}

{{ table }}

${FEE}${LINK}Merci de nous dire avant le {{ reply_by }} quel jour nous pouvons attendre le paiement. ${WRONG}

Cordialement
{{ business }}
`,
    },
    {
      subject: "Merci de régler {{ sum }} : {{ oldest_days }} jours de retard",
      body: `Bonjour {{ customer }},

malgré nos lettres, {{ sum }} restent ouverts, la partie la plus ancienne depuis {{ oldest_days }} jours.

{{ table }}

${FEE}${LINK}Nous vous demandons de payer avant le {{ reply_by }}, ou de nous appeler pour convenir de dates. Sinon, nous devrons suspendre les livraisons jusqu’au règlement du compte.

{{ business }}
`,
    },
    {
      subject: "Dernière lettre avant d’autres démarches : {{ sum }}",
      body: `Bonjour {{ customer }},

nous avons écrit et appelé, et {{ sum }} ne sont toujours pas payés ; la partie la plus ancienne est échue depuis {{ oldest_days }} jours.

{{ table }}

${FEE}${LINK}C’est notre dernière lettre à ce sujet. Si, d’ici au {{ reply_by }}, nous n’avons ni reçu la somme entière ni convenu de dates avec vous, nous cessons de vous livrer et confions le recouvrement à un tiers. ${WRONG}

{{ business }}
`,
    },
  ],
};
