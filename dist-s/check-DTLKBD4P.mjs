import {
  keptBackups,
  lookThrough
} from "./chunk-4R6B2YH7.mjs";
import "./chunk-SUQBVPX2.mjs";
import {
  proofInWords,
  workInWords
} from "./chunk-SJVNGOAI.mjs";
import {
  openBookToRead
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import {
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  toDecimal
} from "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/cli/check.ts
function check({ values }) {
  if (typeof values.book !== "string") return wrongCall("Say --book.");
  const opened = openBookToRead(values.book);
  if (!opened.ok) return damaged(values.book, opened.error);
  const looked = lookThrough(opened.value);
  if (!looked.ok) return damaged(values.book, looked.error);
  const { report, trail } = looked.value;
  const { currency } = readSettings(opened.value);
  const lines = report.proofs.map((proof) => {
    const { what } = proofInWords(proof.name);
    return `${proof.holds ? "holds " : "BROKEN"}  ${what}: ${toDecimal(proof.journal, currency)}${proof.holds ? "" : `, documents ${toDecimal(proof.documents, currency)}, off by ${toDecimal(proof.off, currency)}`}`;
  });
  const work = report.work.map(
    (openWork) => `open    ${openWork.count} ${workInWords(openWork.name)}: ${toDecimal(openWork.sum, currency)}`
  );
  const chain = trail.holds ? `holds   The audit trail is whole: ${trail.records} records, the last is ${trail.head}` : `BROKEN  The audit trail: ${trail.problem}`;
  return {
    code: report.holds && trail.holds ? EXIT.done : EXIT.wrong,
    text: [...lines, chain, ...work].join("\n"),
    data: { ...report, holds: report.holds && trail.holds, trail }
  };
}
function damaged(book, error) {
  const outcome = failed(error);
  if (!["book.damaged", "book.unreadable"].includes(error.code)) return outcome;
  const [last] = keptBackups(book);
  const words = last ? `The last good backup is ${last.file}, of ${last.at}.` : "There is no backup of it in the folder of backups.";
  return { ...outcome, messages: [...outcome.messages ?? [], words] };
}
export {
  check
};
