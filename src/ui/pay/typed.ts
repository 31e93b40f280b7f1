/** A card or account that is typed: it goes to the processor alone. */
export type Typed = {
  number: string;
  expiry: string;
  code: string;
  routing: string;
  account: string;
  again: string;
};
