import { addDays, type Day } from "@/core/calendar";

/** One rung: from so many days past the oldest due day, a letter or a call. */
export type LadderStep = { readonly step: number; readonly fromDays: number; readonly act: "letter" | "call" };

/** First steps around 15, 30 and 45 days, the last with a call (common practice, no source). */
export const DEFAULT_LADDER: readonly LadderStep[] = [
  { step: 1, fromDays: 1, act: "letter" },
  { step: 2, fromDays: 15, act: "letter" },
  { step: 3, fromDays: 30, act: "letter" },
  { step: 4, fromDays: 45, act: "call" },
];

/** Nobody is written to twice within this many days (common practice: reminders about twice a month). */
const SMALLEST_INTERVAL_DAYS = 12;

export type NextStep = { readonly step: LadderStep; readonly on: Day };

/**
 * What is due to be said next, and from which day: the rung after the last one
 * taken, not before its days and not sooner than the smallest interval after
 * the last word. After the last rung, the call is repeated. A round of letters
 * is over once nothing that they were about is open: `lastStep` is then 0.
 */
export function nextStep(oldestDueOn: Day, lastStep: number, lastWordOn: Day | null, ladder: readonly LadderStep[] = DEFAULT_LADDER): NextStep {
  const step = ladder.find((one) => one.step > lastStep) ?? ladder.at(-1);
  if (!step) throw new RangeError("a ladder has at least one step");
  const byAge = addDays(oldestDueOn, step.fromDays);
  const byInterval = lastWordOn === null ? byAge : addDays(lastWordOn, SMALLEST_INTERVAL_DAYS);
  return { step, on: byAge > byInterval ? byAge : byInterval };
}

/** Letters in a safe template language (Liquid); the fields are filled by the letter's use case, none may stay empty. */
const TEMPLATES: readonly { subject: string; body: string }[] = [
  {
    subject: "{{ count_words }} past the due date, {{ sum }}",
    body: `Dear {{ customer }},

{% if count == 1 %}one invoice of yours is past its date, by {{ oldest_days }} {% if oldest_days == 1 %}day{% else %}days{% endif %}: {{ sum }}.{% else %}{{ count }} invoices of yours are past their dates, the oldest by {{ oldest_days }} days. Together they come to {{ sum }}.{% endif %} Perhaps it only slipped through; if the payment is on its way already, thank you, and please disregard this letter.

{{ table }}

If something about {% if count == 1 %}it{% else %}them{% endif %} is wrong, tell us, and we stop asking until it is settled.

Kind regards
{{ business }}
`,
  },
  {
    subject: "Still open: {{ sum }}, the oldest for {{ oldest_days }} days",
    body: `Dear {{ customer }},

we wrote to you before about what is open. {% if count == 1 %}One invoice is past its date by {{ oldest_days }} days: {{ sum }}.{% else %}{{ count }} invoices are past their dates, the oldest by {{ oldest_days }} days. Together they come to {{ sum }}.{% endif %}

{{ table }}

Please let us know by {{ reply_by }} which day we can expect the payment. If something about {% if count == 1 %}it{% else %}them{% endif %} is wrong, tell us, and we stop asking until it is settled.

Kind regards
{{ business }}
`,
  },
  {
    subject: "Please settle {{ sum }}: {{ count_words }}, the oldest {{ oldest_days }} days late",
    body: `Dear {{ customer }},

in spite of our letters {{ sum }} is still open, the oldest part of it for {{ oldest_days }} days.

{{ table }}

We ask you to pay by {{ reply_by }}, or to call us so that we can agree on dates. Otherwise we will have to hold further deliveries until the account is settled.

{{ business }}
`,
  },
];

/** The words of a step; steps past the last letter use the last one. */
export function letterTemplate(step: number): { subject: string; body: string } {
  const template = TEMPLATES[Math.min(step, TEMPLATES.length) - 1] ?? TEMPLATES[0];
  if (!template) throw new RangeError("no letters");
  return template;
}
