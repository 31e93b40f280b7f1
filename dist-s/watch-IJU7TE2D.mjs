import {
  freeName,
  takeUp
} from "./chunk-M4MI4HXS.mjs";
import {
  maskWhereItLies
} from "./chunk-LIESLJIX.mjs";
import "./chunk-HF3HPMZO.mjs";
import "./chunk-NRT2JEC2.mjs";
import "./chunk-EZF23G65.mjs";
import "./chunk-W77MXVJI.mjs";
import "./chunk-Q5EAVEMC.mjs";
import "./chunk-M4LGBKXJ.mjs";
import "./chunk-KA42FKD4.mjs";
import "./chunk-ZD2GVI7S.mjs";
import "./chunk-F3WQQ5UH.mjs";
import "./chunk-B3YOCYCK.mjs";
import "./chunk-KAL5CQKH.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-ZYSY576K.mjs";
import "./chunk-JSRFI5DX.mjs";
import "./chunk-7UI2N6TF.mjs";
import {
  openBookToWrite
} from "./chunk-CST2UU67.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  inWords,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import "./chunk-ELMUUMV5.mjs";
import "./chunk-IAIVUFHX.mjs";
import "./chunk-KRT4445E.mjs";
import "./chunk-JF77VF3J.mjs";
import "./chunk-NIPXDDDQ.mjs";
import "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import "./chunk-WZI5MHZ3.mjs";
import "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";
import {
  failureOfFile
} from "./chunk-VIXS4KXC.mjs";

// src/cli/watch.ts
import { existsSync, mkdirSync, readdirSync, renameSync, statSync, writeFileSync } from "node:fs";
import { basename, join } from "node:path";
import { watch as watchFolder } from "chokidar";
var WHOLE_AFTER = 2e3;
async function watch({ values, files }) {
  const [folder] = files;
  const { book } = values;
  if (typeof book !== "string" || folder === void 0 || files.length > 1)
    return wrongCall("Say --book and one folder.");
  if (!statSync(folder, { throwIfNoEntry: false })?.isDirectory())
    return failed({ code: "file.place", path: folder });
  const opened = openBookToWrite(book);
  if (!opened.ok) return failed(opened.error);
  opened.value.close();
  let work = Promise.resolve();
  const watcher = watchFolder(folder, {
    depth: 0,
    ignored: (path) => path !== folder && basename(path).startsWith("."),
    awaitWriteFinish: { stabilityThreshold: WHOLE_AFTER, pollInterval: 200 }
  });
  for (const event of ["add", "change"])
    watcher.on(event, (path) => {
      work = work.then(() => moved({ path, folder, book, values }));
    });
  await new Promise((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => resolve());
    process.once("disconnect", () => resolve());
  });
  await watcher.close();
  await work;
  return { code: EXIT.done, text: "" };
}
async function moved(coming) {
  try {
    if (existsSync(coming.path)) await placed(coming);
  } catch (error) {
    const failure = failureOfFile(error);
    const words = failure ? inWords(failure) : String(error);
    process.stderr.write(`${coming.path} stays where it is: ${words}
`);
  }
}
async function placed({ path, folder, book, values }) {
  const { outcome, text, data } = await takeUp({ path, book, values });
  const to = join(folder, outcome === "taken" ? "done" : "asked");
  mkdirSync(to, { recursive: true });
  const from = await maskWhereItLies(path);
  const name = freeName(basename(from), new Set(readdirSync(to)));
  writeFileSync(join(to, `${name}.report.json`), `${JSON.stringify(data, null, 2)}
`);
  renameSync(from, join(to, name));
  const lines = values.json === true ? [JSON.stringify(data)] : [`${outcome}: ${text.join("\n")}`];
  process.stdout.write(`${lines.join("\n")}
`);
}
export {
  watch
};
