import { proofInWords, proofs } from "@/server/books/queries/proofs";

import { defineSheet } from "../defineSheet";
import { noQuery } from "../queries";

export const proofsList = defineSheet({
  name: "proofs",
  query: noQuery,
  rows: ({ db }) => proofs(db).proofs,
  columns: {
    proof: (proof) => proofInWords(proof.name).what,
    journal: (proof, { sum }) => sum(proof.journal),
    documents: (proof, { sum }) => sum(proof.documents),
    off_by: (proof, { sum }) => sum(proof.off),
    holds: (proof) => (proof.holds ? "yes" : "no"),
  },
});
