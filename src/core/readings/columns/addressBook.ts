import { plainWords, type Table } from "@/core/formats";

/** Heads of where somebody is reached, and those of when something happened. */
const ADDRESS =
  /\b(street|address|city|town|zip|zip code|postcode|postal code|strasse|ort|plz|ville|phone)\b/;
const WHEN = /\b(date|day|due|issued|posted|datum|fecha|period)\b/;
/** When a customer came, or was changed last. */
const SINCE = /\b(created|since|last|modified|updated|joined|first)\b/;

/** Names with where they are reached and without any day: what stands beside them is what they owe, or may. */
export function isAddressBook({ headers }: Table): boolean {
  const plain = headers.map(plainWords);
  const reached = plain.filter((head) => ADDRESS.test(head));
  return reached.length >= 2 && !plain.some((head) => WHEN.test(head) && !SINCE.test(head));
}
