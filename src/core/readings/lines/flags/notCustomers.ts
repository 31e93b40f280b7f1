import { plainWords } from "@/core/formats";

import { isNo, isYes } from "./flagWords";

/** Heads of columns that say whether somebody buys, and whether somebody sells, in six languages. */
const BUYS =
  /^(?:is )?(?:a )?(?:customers?|clients?|debtors?|debitor|kunde|cliente|klant)(?: flag)?$/;
const SELLS =
  /^(?:is )?(?:a )?(?:vendors?|suppliers?|creditors?|kreditor|lieferant|fournisseur|proveedor|fornitore|leverancier)(?: flag)?$/;
/** Heads of columns that say what somebody is to the business. */
const ROLE =
  /^(?:(?:contact|name|account|record|partner|relationship|entity|party|list) )?(?:type|kind|role|category|group|relationship)$|^typ$|^art$|^tipo$/;
/** What somebody else than a customer is called. */
const OTHERS =
  /\b(?:vendors?|suppliers?|employees?|staff|contractors?|other names?|leads?|prospects?|competitors?|creditors?|lieferant(?:en)?|kreditor(?:en)?|mitarbeiter|interessent|fournisseurs?|salaries?|proveedor(?:es)?|empleados?|fornitor[ei]|leveranciers?)\b/;
const CUSTOMERS =
  /\b(?:customers?|clients?|kunden?|debitor(?:en)?|clientes?|clienti|klant(?:en)?)\b/;

/** Heads under which the other stands, for which a line was given up. */
const OTHER_OF_IT =
  /^(?:duplicate of|merged (?:into|with|to)|replaced by|superseded by|master (?:id|record|account)|surviving (?:id|record|account))(?: \w+)?$/;
/** Heads of how far somebody is on the way to be a customer. */
const STAGE =
  /^(?:(?:lead|sales|lifecycle|pipeline|deal|contact|account) )?(?:stage|status|state)$/;
const NOT_YET =
  /^(?:lost|closed lost|unqualified|new lead|opportunity|cold|warm|nurturing|churned)$/;

/** Heads whose yes says that a line is of nobody any more, or of a trial. */
const GONE = /^(?:is )?(?:deleted|archived|merged|duplicate|spam|test|trashed|geloscht)$/;

const saysWhoBuys = (head: string): boolean => BUYS.test(plainWords(head));

/**
 * What a cell of a list of names has to be to say that its line is no customer; null where the
 * column tells nothing of it. Somebody who sells may buy as well, so it is asked.
 */
export function notCustomers(
  head: string,
  filled: readonly string[],
  heads: readonly string[],
): ((cell: string) => boolean) | null {
  const plain = plainWords(head);
  if (GONE.test(plain)) return isYes;
  if (OTHER_OF_IT.test(plain)) return (cell) => cell !== "" && !isNo(cell);
  if (saysWhoBuys(head) && filled.some(isYes)) return (cell) => !isYes(cell);
  if (SELLS.test(plain)) return heads.some(saysWhoBuys) ? null : isYes;
  if (STAGE.test(plain))
    return (cell) => NOT_YET.test(plainWords(cell)) || OTHERS.test(plainWords(cell));
  return ROLE.test(plain)
    ? (cell) => OTHERS.test(plainWords(cell)) && !CUSTOMERS.test(plainWords(cell))
    : null;
}
