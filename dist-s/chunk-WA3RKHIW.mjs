import {
  columnsOfFile,
  headLineIn,
  importFile,
  kindQuestion,
  kindsOf,
  mappings,
  processorAccounts,
  sheetQuestion,
  tableOf,
  wasEverTakenIn
} from "./chunk-3UEBMBKW.mjs";
import {
  bankAccounts
} from "./chunk-SJVNGOAI.mjs";
import {
  runCommand
} from "./chunk-TFINCUNW.mjs";
import {
  keptFile,
  openBookToWrite
} from "./chunk-HCLLIY37.mjs";
import {
  EXIT,
  failed,
  inWords,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import {
  FILE_KINDS,
  FILE_KIND_TRAITS,
  SHEET_MARK,
  SheetReader,
  StringsReader,
  decodeText,
  factRecords,
  formatOf,
  formatsOfStyles,
  guessMapping,
  headedAt,
  partsRelated,
  sheetsOfBook,
  xmlTree
} from "./chunk-KO2L2HI2.mjs";
import {
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/server/arrivals/reported.ts
var NOTHING_TAKEN = {
  fileId: null,
  lines: 0,
  new: 0,
  known: 0,
  changed: 0,
  refused: [],
  outcome: [],
  leftOut: [],
  proofs: [],
  understood: [],
  questions: []
};
function asData({ sha256: _hash, knownBy: _how, ...report }) {
  return { ...report, left_out: report.leftOut.length };
}

// src/cli/importOne.ts
import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { basename } from "node:path";

// src/server/arrivals/imports/inspectFile.ts
function inspectFile(book, sha256, { kind, currency, head }) {
  const kept = tableOf(book, sha256);
  if (!kept.ok) return kept;
  const table = head === void 0 ? kept.value : headedAt(kept.value, head);
  const found = kindsOf(table);
  const own = table.kind;
  const as = own ?? kind ?? likeliest(found);
  const columns = columnsOfFile(table, as);
  const answers = head === void 0 ? {} : { head: String(head) };
  const mapping = { ...guessMapping(table, as, { currency, columns }), answers };
  const kindOpen = kind === void 0 && own === void 0 && found.sure === null ? kindQuestion(found.possible, "The file") : null;
  return ok({
    kind: as,
    mapping,
    headers: table.headers,
    sample: table.rows.slice(0, 5).map(({ cells }) => cells),
    lines: table.rows.length,
    agreed: own !== void 0,
    ...headOf(kept.value, table),
    sheets: sheetsOf(kept.value),
    rowWords: Object.keys(mapping.rowKinds),
    kindOpen: (head === void 0 ? sheetQuestion(table) : null) ?? kindOpen
  });
}
var headOf = ({ kind, records = [] }, { headLine = 1 }) => kind === void 0 ? { headLine, firstLines: firstLines(records) } : { headLine: null, firstLines: [] };
var sheetsOf = (table) => (table.sheets ?? []).map(({ headLine }) => ({
  headLine,
  headers: headedAt(table, headLine).headers
}));
var firstLines = (records) => records.slice(0, MOST_ABOVE).map(
  (cells) => cells.map((cell) => cell.trim()).filter((cell) => cell !== "" && cell !== SHEET_MARK).join(" \xB7 ").slice(0, 60)
);
var MOST_ABOVE = 15;
var likeliest = ({ sure, possible }) => sure ?? possible[0] ?? MOST;
var MOST = "processor";

// src/server/arrivals/keepFile.ts
import { createHash } from "node:crypto";
import { createWriteStream, existsSync, mkdirSync, renameSync, rmSync as rmSync2, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";

// src/server/arrivals/maskNumbers.ts
import { readFileSync, rmSync, writeFileSync } from "node:fs";

// src/server/arrivals/workbook.ts
import { stringify } from "csv-stringify/sync";

// src/server/arrivals/package.ts
import yauzl from "yauzl";
var MOST_PARTS = 2e3;
var Package = class _Package {
  constructor(zip, parts, size) {
    this.zip = zip;
    this.parts = parts;
    this.size = size;
  }
  zip;
  parts;
  size;
  static open(path) {
    return new Promise((resolve) => {
      const broken = () => resolve(fail("file.unreadable", { path: "" }));
      yauzl.open(path, { lazyEntries: true, autoClose: false }, (error, zip) => {
        if (error) return broken();
        const parts = /* @__PURE__ */ new Map();
        let size = 0;
        const done = () => resolve(ok(new _Package(zip, parts, size)));
        zip.on("entry", (entry) => {
          parts.set(entry.fileName.toLowerCase(), entry);
          size += entry.uncompressedSize;
          if (parts.size < MOST_PARTS) zip.readEntry();
          else done();
        });
        zip.on("error", () => {
          zip.close();
          broken();
        });
        zip.on("end", done);
        zip.readEntry();
      });
    });
  }
  has(path) {
    return this.parts.has(path.toLowerCase());
  }
  /** Unpacks a part as text, piece by piece, until `take` says no. False where it cannot be unpacked. */
  read(path, take) {
    const entry = this.parts.get(path.toLowerCase());
    if (!entry) return Promise.resolve(false);
    return new Promise((resolve) => {
      this.zip.openReadStream(entry, (error, stream) => {
        if (error) return resolve(false);
        let decoder = null;
        stream.on("data", (bytes) => {
          decoder ??= decoderFor(bytes);
          if (take(decoder.decode(bytes, { stream: true }))) return;
          stream.destroy();
          resolve(true);
        });
        stream.on("error", () => resolve(false));
        stream.on("end", () => resolve(true));
      });
    });
  }
  close() {
    this.zip.close();
  }
};
function decoderFor(bytes) {
  if (bytes[0] === 255 && bytes[1] === 254) return new TextDecoder("utf-16le");
  if (bytes[0] === 254 && bytes[1] === 255) return new TextDecoder("utf-16be");
  return new TextDecoder("utf-8");
}

// src/server/arrivals/workbook.ts
var MOST_UNPACKED = 2e8;
var MOST_ROWS = 2e5;
var OTHERS = [
  ["xl/workbook.bin", "workbook.binary"],
  ["word/document.xml", "file.document"],
  ["ppt/presentation.xml", "file.document"],
  ["content.xml", "workbook.open"]
];
var isPacked = (bytes) => bytes[0] === 80 && bytes[1] === 75 && bytes[2] === 3 && bytes[3] === 4;
async function workbookAsCsv(path) {
  const opened = await Package.open(path);
  if (!opened.ok) return opened;
  try {
    return await readBook(opened.value);
  } finally {
    opened.value.close();
  }
}
var otherThanBook = (zip) => OTHERS.find(([part]) => zip.has(part))?.[1] ?? "file.zip";
async function readBook(zip) {
  const main = await mainPart(zip);
  if (main === null) return fail(otherThanBook(zip));
  if (zip.size > MOST_UNPACKED)
    return fail("workbook.large", {
      size: Math.ceil(zip.size / 1e6),
      most: MOST_UNPACKED / 1e6
    });
  const facts = await factsOf(zip, main);
  if (!facts.ok) return facts;
  const sheets = await listsOf(zip, facts.value);
  if (!sheets.ok) return sheets;
  const [only, second] = sheets.value;
  if (!only) return fail("workbook.empty");
  const rows = [];
  const hidden = [];
  for (const sheet of sheets.value) {
    if (second) rows.push([SHEET_MARK, sheet.name]);
    for (const row of sheet.hidden) hidden.push(rows.length + row);
    for (const row of sheet.rows) rows.push(row);
  }
  if (rows.length > MOST_ROWS) return fail("file.rows", { most: MOST_ROWS });
  for (const fact of factRecords({ hidden, isFrom1904: facts.value.cells.is1904 })) rows.push(fact);
  return ok(stringify(rows, { quoted_match: /[,"\n\r]/ }));
}
var RELATIONS = "_rels/.rels";
var USUAL = "xl/workbook.xml";
async function mainPart(zip) {
  const relations = await treeOf(zip, RELATIONS);
  const told = relations ? partsRelated(relations, "").byKind.get("officeDocument") : void 0;
  const path = told !== void 0 && zip.has(told) ? told : USUAL;
  return zip.has(path) && path.endsWith(".xml") ? path : null;
}
async function treeOf(zip, path) {
  let text = "";
  if (!await zip.read(path, (piece) => (text += piece, true))) return null;
  const tree = xmlTree(text);
  return tree.ok ? tree.value : null;
}
async function factsOf(zip, main) {
  const at = main.lastIndexOf("/") + 1;
  const folder = main.slice(0, at);
  const book = await treeOf(zip, main);
  const relations = await treeOf(zip, `${folder}_rels/${main.slice(at)}.rels`);
  if (!book || !relations) return fail("file.unreadable", { path: "" });
  if (book.name !== "workbook") return fail("file.zip");
  const { byId, byKind } = partsRelated(relations, folder);
  const strings = await stringsOf(zip, byKind.get("sharedStrings") ?? "");
  if (strings === null) return fail("file.unreadable", { path: "" });
  const styles = await treeOf(zip, byKind.get("styles") ?? "");
  const { sheets, is1904 } = sheetsOfBook(book);
  return ok({
    sheets: sheets.map(({ name, relation }) => ({ name, path: byId.get(relation) ?? "" })),
    cells: { strings, formats: styles ? formatsOfStyles(styles) : [], is1904 }
  });
}
async function stringsOf(zip, path) {
  const reader = new StringsReader();
  if (!zip.has(path)) return [];
  const isRead = await zip.read(path, (piece) => reader.write(piece));
  return isRead && reader.end() ? reader.strings : null;
}
async function listsOf(zip, facts) {
  const lists = [];
  for (const { name, path } of facts.sheets) {
    const reader = new SheetReader(facts.cells, MOST_ROWS);
    const isRead = await zip.read(path, (piece) => reader.write(piece));
    if (reader.isLarge) return fail("file.rows", { most: MOST_ROWS });
    if (!isRead || !reader.end()) return fail("file.unreadable", { path: "" });
    const { rows, hidden } = reader;
    if (rows.filter(({ length }) => length > 0).length > 1) lists.push({ name, rows, hidden });
  }
  return ok(lists);
}

// src/server/arrivals/maskNumbers.ts
async function maskNumbers(path) {
  const read = await maskedText(path);
  if (!read.ok) return read;
  const { packed, text, masked } = read.value;
  if (packed || masked !== text) writeFileSync(path, masked);
  return ok(null);
}
async function maskWhereItLies(path) {
  const read = await maskedText(path);
  if (!read.ok || read.value.masked === read.value.text) return path;
  const to = read.value.packed ? `${path}.csv` : path;
  writeFileSync(to, read.value.masked);
  if (to !== path) rmSync(path);
  return to;
}
async function maskedText(path) {
  const bytes = readFileSync(path);
  const packed = isPacked(bytes);
  const text = packed ? await workbookAsCsv(path) : decodeText(bytes);
  if (!text.ok) return text;
  return ok({ packed, text: text.value, masked: formatOf(text.value).masked(text.value) });
}

// src/server/arrivals/keepFile.ts
var MOST_MEGABYTES = 100;
var TooLarge = class extends Error {
};
async function keepFile(book, source, mask = (path) => maskNumbers(path)) {
  const part = join(
    dirname(keptFile(book, "0".repeat(64))),
    `.part-${process.pid}-${Math.random().toString(36).slice(2)}`
  );
  mkdirSync(dirname(part), { recursive: true });
  const hash = createHash("sha256");
  let size = 0;
  async function* counted() {
    for await (const chunk of source) {
      size += chunk.length;
      if (size > MOST_MEGABYTES * 1e6) throw new TooLarge();
      hash.update(chunk);
      yield chunk;
    }
  }
  try {
    await pipeline(Readable.from(counted()), createWriteStream(part));
  } catch (error) {
    rmSync2(part, { force: true });
    if (error instanceof TooLarge) return tooLarge(size);
    throw error;
  }
  const sha256 = hash.digest("hex");
  const masked = size === 0 ? fail("file.empty") : await mask(part);
  if (!masked.ok) {
    rmSync2(part, { force: true });
    return masked;
  }
  const path = keptFile(book, sha256);
  if (existsSync(path)) rmSync2(part, { force: true });
  else renameSync(part, path);
  return ok({ sha256, size });
}
function dropFile(db, book, sha256) {
  if (!wasEverTakenIn(db, sha256)) rmSync2(keptFile(book, sha256), { force: true });
}
function tooLarge(bytes) {
  return fail("file.large", { size: Math.ceil(bytes / 1e6), most: MOST_MEGABYTES });
}

// src/server/arrivals/queries/knownMapping.ts
var keptFor = (db, { headers }) => mappings(db).map(({ spec }) => JSON.parse(spec)).filter(({ columns }) => Object.values(columns).every((head) => headers.includes(head)));
function sheetByMapping(db, { sheets, kindOpen }) {
  if (kindOpen?.key !== "head") return void 0;
  const [known, ...others] = sheets.filter((sheet) => keptFor(db, sheet).length > 0);
  return others.length === 0 ? known?.headLine : void 0;
}
function kindByMapping(db, inspected) {
  const whole = keptFor(db, inspected).filter(
    ({ columns }) => inspected.headers.every((head) => Object.values(columns).includes(head))
  );
  const [known, ...others] = new Set(whole.map(({ kind }) => kind));
  return others.length === 0 ? known : void 0;
}
function usualMapping(db, inspected) {
  const kept = keptFor(db, inspected).find(({ kind }) => kind === inspected.kind);
  const { head } = inspected.mapping.answers ?? {};
  const place = head === void 0 ? {} : { head };
  if (kept)
    return { mapping: { ...kept, answers: { ...kept.answers, ...place } }, knownBy: "mapping" };
  return { mapping: inspected.mapping, knownBy: inspected.agreed ? "format" : "guess" };
}
function accountQuestion(db, kind, said) {
  const { account } = FILE_KIND_TRAITS[kind];
  if (account === null || typeof said === "string") return null;
  const accounts = account === "processor" ? processorAccounts(db) : bankAccounts(db);
  if (accounts.length < 2) return null;
  return {
    key: "account",
    words: "The book has several accounts that the file could belong to.",
    choices: accounts.map(({ code, name }) => ({ answer: code, result: name }))
  };
}

// src/cli/importOne.ts
async function importOne(db, asked2) {
  const { book, path, values, kind } = asked2;
  const kept = await keepFile(book, createReadStream(path)).catch(
    () => fail("file.unreadable", { path })
  );
  if (!kept.ok) return kept;
  const { sha256 } = kept.value;
  const head = headLineIn(saidIn(asked2.answers).head);
  const { currency } = readSettings(db);
  const inspected = inspectFile(book, sha256, { kind, currency, head });
  if (!inspected.ok) {
    dropFile(db, book, sha256);
    return inspected;
  }
  const { lines, kindOpen } = inspected.value;
  const open = (question) => ok({ ...NOTHING_TAKEN, lines, questions: [question], file: path, sha256, ...found });
  let found = { kind: inspected.value.kind, knownBy: "guess" };
  const known = kindOpen && saidByMapping(db, asked2, inspected.value);
  if (known) return importOne(db, known);
  if (kindOpen) return open(kindOpen);
  const chosen = mappingFor(db, values.mapping, inspected.value, kind);
  if (!chosen.ok) return chosen;
  const mapping = withAnswers(chosen.value.mapping, asked2);
  found = { kind: mapping.kind, knownBy: chosen.value.knownBy };
  const accounts = accountQuestion(db, mapping.kind, values.account);
  if (accounts) return open(accounts);
  const done = takeIn(db, asked2, { ...kept.value, mapping });
  return done.ok ? ok({ ...done.value, file: path, sha256, ...found }) : done;
}
function saidByMapping(db, asked2, inspected) {
  const head = sheetByMapping(db, inspected);
  if (head !== void 0) return { ...asked2, answers: [...asked2.answers, `head=${head}`] };
  const kind = inspected.kindOpen?.key === "kind" ? kindByMapping(db, inspected) : void 0;
  return kind === void 0 ? null : { ...asked2, kind };
}
function takeIn(db, { book, path, values }, file) {
  const account = typeof values.account === "string" ? values.account : null;
  const run = (rehearse) => runCommand(
    db,
    importFile,
    { ...file, name: basename(path), account, asking: rehearse },
    { book, actor: "command line", key: randomUUID(), rehearse }
  );
  const done = run(values["dry-run"] === true);
  return !done.ok && done.error.code === "questions.open" ? run(true) : done;
}
var saidIn = (given) => Object.fromEntries(
  given.flatMap((text) => {
    const at = text.lastIndexOf("=");
    return at > 0 ? [[text.slice(0, at), text.slice(at + 1)]] : [];
  })
);
function withAnswers(mapping, { values: { mark }, answers: given }) {
  const marked = mark === "." || mark === "," ? { ...mapping, decimalMark: mark, markSaid: true } : mapping;
  if (mapping.answers === void 0) return marked;
  const answers = { ...mapping.answers, ...saidIn(given) };
  if (mark === "." || mark === ",") answers.mark = mark;
  return { ...marked, answers };
}
function mappingFor(db, name, inspected, kind) {
  if (typeof name !== "string") return ok(usualMapping(db, inspected));
  const saved = mappings(db).find(
    (mapping) => mapping.name === name && (kind === void 0 || mapping.kind === kind)
  );
  return saved ? ok({ mapping: JSON.parse(saved.spec), knownBy: "mapping" }) : fail("mapping.unknown", { name });
}

// src/cli/importQuestions.ts
var FLAGS = {
  kind: "--kind",
  account: "--account",
  mark: "--mark"
};
var flagFor = (key, answer) => {
  const own = FLAGS[key];
  if (own !== void 0) return `${own} ${answer}`;
  const text = `${key}=${answer}`;
  return `--answer ${/^[\w:=.-]+$/.test(text) ? text : `'${text.replaceAll("'", `'\\''`)}'`}`;
};
function asked(report, path, before) {
  const questions = report.questions.map(({ key, words: text, choices }) => ({
    code: key,
    words: text,
    choices: choices.map(({ answer, result }) => ({ flag: flagFor(key, answer), result }))
  }));
  return {
    code: EXIT.wrong,
    data: { questions, file: path },
    messages: [
      ...before,
      ...questions.flatMap(({ words: text, choices }) => [
        `${path}: ${text}`,
        ...choices.map(({ flag, result }) => `  ${flag}: ${result}`)
      ])
    ]
  };
}

// src/cli/import.ts
async function importFiles({ values, answers, files }) {
  const { book, kind = "auto" } = values;
  if (typeof book !== "string" || files.length === 0)
    return wrongCall("Say --book and at least one file.");
  const wrong = wrongFlag(values);
  if (wrong !== null) return wrongCall(wrong);
  const opened = openBookToWrite(book);
  if (!opened.ok) return failed(opened.error);
  const reports = [];
  for (const path of files) {
    const done = await importOne(opened.value, {
      book,
      path,
      values,
      answers,
      kind: kind === "auto" ? void 0 : kind
    });
    if (!done.ok) return stopped(done.error, path, reports.flatMap(words));
    if (done.value.questions.length > 0) return asked(done.value, path, reports.flatMap(words));
    reports.push(done.value);
  }
  const refused = reports.some((report) => report.refused.length > 0);
  return {
    code: refused ? EXIT.wrong : EXIT.done,
    text: reports.flatMap(words).join("\n"),
    data: { dryRun: values["dry-run"] === true, files: reports.map(asData) }
  };
}
function wrongFlag({ kind = "auto", mark }) {
  if (!["auto", ...FILE_KINDS].includes(String(kind)))
    return `There is no kind \u201C${kind}\u201D. Use auto, ${FILE_KINDS.join(", ")}.`;
  return [void 0, ".", ","].includes(mark) ? null : "--mark is . or , (the decimal sign of the file).";
}
function stopped(error, path, before) {
  const questions = questionsOf(error);
  const outcome = failed(error);
  return {
    ...outcome,
    ...questions.length > 0 ? { code: EXIT.wrong, data: { questions } } : {},
    messages: [...before, ...(outcome.messages ?? []).map((message) => `${path}: ${message}`)]
  };
}
function questionsOf({
  code,
  ...facts
}) {
  if (code !== "mark.open") return [];
  const choices = ["point", "comma"].map((name, at) => ({
    flag: `--mark ${".,"[at]}`,
    result: `${facts.sample}: the ${name} is the decimal sign`
  }));
  return [{ code, words: inWords({ code, ...facts }), choices }];
}
var refusedLines = ({ refused }) => new Set(refused.filter(({ changed }) => !changed).map(({ line }) => line)).size;
var leftOutWords = ({ leftOut }) => [...new Set(leftOut.map(({ why }) => why))].map(
  (why) => `  ${leftOut.filter((entry) => entry.why === why).length} left out: ${why}`
);
function words(report) {
  return [
    `${report.file} (${report.kind}): ${report.lines} lines, ${report.new} new, ${report.known} known, ${report.changed} changed, ${refusedLines(report)} refused, ${report.leftOut.length} left out`,
    ...report.proofs.map((proof) => `  ${proof}`),
    ...leftOutWords(report),
    ...report.outcome.map(({ words: what, count }) => `  ${count} ${what}`),
    ...report.refused.slice(0, 50).map(
      ({ line, column, reason }) => `  line ${line}${column === "" ? "" : `, ${column}`}: ${reason}`
    ),
    ...report.refused.length > 50 ? [`  and ${report.refused.length - 50} more`] : []
  ];
}

export {
  asData,
  maskWhereItLies,
  importOne,
  importFiles,
  words
};
