import {
  postSure
} from "./chunk-E5CVLFVV.mjs";
import {
  proposalsOf
} from "./chunk-3TMTUJPD.mjs";
import "./chunk-EZF23G65.mjs";
import "./chunk-ZD2GVI7S.mjs";
import {
  runCommand
} from "./chunk-TFINCUNW.mjs";
import "./chunk-H7MVWNRR.mjs";
import {
  openBookToRead,
  openBookToWrite
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  outcomeOf
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import "./chunk-KRT4445E.mjs";
import "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import "./chunk-WZI5MHZ3.mjs";
import "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/cli/matchBook.ts
import { randomUUID } from "node:crypto";
function matchBook(book, post) {
  const opened = post ? openBookToWrite(book) : openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  const proposals = proposalsOf(opened.value);
  const count = (decision) => proposals.filter((proposal) => proposal.decision === decision).length;
  const counts = {
    receipts: proposals.length,
    sure: count("sure"),
    check: count("check"),
    none: count("none")
  };
  const words = `${counts.receipts} receipts to match: ${counts.sure} sure, ${counts.check} to check, ${counts.none} no home yet`;
  if (!post) return { code: EXIT.done, text: words, data: { ...counts, proposals } };
  const done = runCommand(
    opened.value,
    postSure,
    { receiptIds: null },
    { book, actor: "command line", key: randomUUID() }
  );
  return outcomeOf(done, (value) => ({
    code: EXIT.done,
    text: `${words}
${value.posted} posted`,
    data: { ...counts, ...value }
  }));
}
export {
  matchBook
};
