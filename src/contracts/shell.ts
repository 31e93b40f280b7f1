/** What is found by typing: what it is, and the words by which it is known again. */
export type Found = {
  kind: "customer" | "invoice" | "receipt" | "payout" | "bank line";
  id: number;
  words: string;
  more: string;
};
