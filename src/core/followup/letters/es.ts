import type { LetterWords } from "./words";

const FEE = `{% if fee %}Por esta carta cobramos {{ fee }}, que no están incluidos en la suma indicada.

{% endif %}`;
const LINK = `{% if link %}Todo lo pendiente, el estado de cuenta y cada factura:
{{ link }}

{% endif %}`;
const WRONG = "Si algo no es correcto, avísenos y dejaremos de reclamarlo hasta aclararlo.";

export const SPANISH: LetterWords = {
  due: "vence el",
  credit: "saldo a su favor",
  together: "en total",
  tones: [
    {
      subject:
        "{% if ahead %}Próximo vencimiento: {{ sum }}{% else %}{% if count == 1 %}Una factura vencida{% else %}{{ count }} facturas vencidas{% endif %}, {{ sum }}{% endif %}",
      body: `Estimados señores de {{ customer }}:

{% if ahead %}{% if count == 1 %}pronto vence una factura suya{% else %}pronto vencen {{ count }} facturas suyas{% endif %}: {{ sum }}. Si el pago ya está preparado, no tienen que hacer nada.{% elsif count == 1 %}una factura suya venció hace {{ oldest_days }} {% if oldest_days == 1 %}día{% else %}días{% endif %}: {{ sum }}. Quizá solo se les haya pasado; si el pago ya está en camino, gracias, y no hagan caso de esta carta.{% else %}tienen {{ count }} facturas vencidas, la más antigua desde hace {{ oldest_days }} días. En total suman {{ sum }}. Quizá solo se les haya pasado; si el pago ya está en camino, gracias, y no hagan caso de esta carta.{% endif %}

{{ table }}

${LINK}${WRONG}

Atentamente,
{{ business }}
`,
    },
    {
      subject: "Sigue pendiente: {{ sum }}, la más antigua desde hace {{ oldest_days }} días",
      body: `Estimados señores de {{ customer }}:

ya les escribimos sobre lo que está pendiente. {% if count == 1 %}Una factura venció hace {{ oldest_days }} días: {{ sum }}.{% else %}{{ count }} facturas están vencidas, la más antigua desde hace {{ oldest_days }} días. En total suman {{ sum }}.{% endif %}

{{ table }}

${FEE}${LINK}Les rogamos que nos digan antes del {{ reply_by }} qué día podemos esperar el pago. ${WRONG}

Atentamente,
{{ business }}
`,
    },
    {
      subject: "Les rogamos que paguen {{ sum }}: {{ oldest_days }} días de retraso",
      body: `Estimados señores de {{ customer }}:

a pesar de nuestras cartas siguen pendientes {{ sum }}, la parte más antigua desde hace {{ oldest_days }} días.

{{ table }}

${FEE}${LINK}Les pedimos que paguen antes del {{ reply_by }}, o que nos llamen para acordar fechas. De lo contrario tendremos que detener las entregas hasta que la cuenta esté saldada.

{{ business }}
`,
    },
    {
      subject: "Última carta antes de tomar otras medidas: {{ sum }}",
      body: `Estimados señores de {{ customer }}:

les hemos escrito y llamado, y {{ sum }} siguen sin pagar; la parte más antigua venció hace {{ oldest_days }} días.

{{ table }}

${FEE}${LINK}Esta es nuestra última carta al respecto. Si antes del {{ reply_by }} no hemos recibido el total ni acordado fechas con ustedes, dejaremos de suministrarles y encargaremos el cobro a terceros. ${WRONG}

{{ business }}
`,
    },
  ],
};
