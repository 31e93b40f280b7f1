/**
 * Terms in words as the short form of the trade: `2% 10 Net 30` is `2/10 n/30`, `30 days` and
 * `Net 30` are `n/30`, `Due on receipt` is `n/0`; null where they are none of these.
 */
export function termsIn(text: string): string | null {
  const plain = text.trim().toLowerCase().slice(0, 80).replace(/\s+/g, " ");
  if (plain === "") return null;
  if (/^\d/.test(plain) && /n\/\d/.test(plain)) return plain;
  if (/^n\/\d{1,3}$/.test(plain)) return plain;
  if (
    /^(?:(?:due |payable )?(?:up)?on receipt(?: of invoice)?|immediate(?:ly)?|cash|cod|c\.o\.d\.|due now|now|prepaid|sofort)$/.test(
      plain,
    )
  )
    return "n/0";
  const early =
    /^(\d{1,2}(?:\.\d{1,2})?) ?%? ?(?:\/|in|within)? ?(\d{1,3}) ?(?:days)?[,;]? ?\/?(?:net|n) ?\/? ?(\d{1,3})(?: days)?$/.exec(
      plain,
    );
  if (early) return `${early[1]}/${early[2]} n/${early[3]}`;
  const skonto =
    /^(?<days>\d{1,3}) tage (?<share>\d{1,2}) ?% skonto[,;]? (?<net>\d{1,3}) tage(?: netto)?$/.exec(
      plain,
    ) ??
    /^(?<share>\d{1,2}) ?% skonto (?<days>\d{1,3}) tage[,;]? (?<net>\d{1,3}) tage(?: netto)?$/.exec(
      plain,
    );
  if (skonto?.groups) return `${skonto.groups.share}/${skonto.groups.days} n/${skonto.groups.net}`;
  const net = NET.flatMap((words) => words.exec(plain)?.[1] ?? [])[0];
  return net === undefined ? null : `n/${net}`;
}

/** Days after which all is due, in words. */
const NET: readonly RegExp[] = [
  /^(?:due|payable) (?:in|within) (\d{1,3}) days$/,
  /^(?:net|n|netto)[ /]?(\d{1,3})(?: days| tage)?$/,
  /^(\d{1,3}) ?(?:days|d|tage|jours|dias|giorni|dagen)(?: net| netto)?$/,
];

/** Terms that stand where the day is expected on which an invoice is due. */
export const isTermsAsDue = (field: string, text: string): boolean =>
  field === "dueOn" && termsIn(text) !== null;
