import {
  provePackage
} from "./chunk-MTZZKE5Z.mjs";
import "./chunk-SUQBVPX2.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  outcomeOf,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-V6I26S2F.mjs";

// src/cli/verify.ts
import { existsSync } from "node:fs";
async function verify({ values, files }) {
  const [file] = files;
  if (!file || files.length !== 1) return wrongCall("Say which audit package.");
  if (!existsSync(file)) return failed({ code: "file.unreadable", path: file });
  const head = typeof values.head === "string" ? values.head : void 0;
  return outcomeOf(await provePackage(file, head), (proof) => ({
    code: proof.holds ? EXIT.done : EXIT.wrong,
    text: proof.holds ? `holds   ${proof.records} records, the last is ${proof.head}` : `BROKEN  ${proof.problem}`,
    data: proof
  }));
}
export {
  verify
};
