import {
  mainPart,
  paperFont,
  runsOf
} from "./chunk-AQEELLRW.mjs";
import {
  logoOf,
  paperDay
} from "./chunk-25VLJY7E.mjs";
import {
  documentByNumber,
  documentOfItem
} from "./chunk-VU6MJZGF.mjs";
import {
  writeUbl
} from "./chunk-ELMUUMV5.mjs";
import {
  linkOf
} from "./chunk-NIPXDDDQ.mjs";
import {
  customerByExternalId
} from "./chunk-47CXCVCB.mjs";
import {
  TAX_CATEGORIES,
  USUAL_LOOK,
  decimalOf,
  decimalText,
  lineAmount,
  paperParts,
  paperSums,
  paperWords,
  readSettings,
  shownLines
} from "./chunk-WZI5MHZ3.mjs";
import {
  formatAmount,
  minor,
  toDecimal
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/server/invoices/queries/papers.ts
function paperOfNumber(db, number) {
  const document = documentByNumber(db, number);
  return document?.frozen ? ok(JSON.parse(document.frozen)) : fail("document.number_unknown", { number });
}
function paperOfItem(db, itemId) {
  const document = documentOfItem(db, itemId);
  return document?.frozen ? JSON.parse(document.frozen) : null;
}

// src/server/output/paperExtras.ts
function extrasOf(db, { look, customer }) {
  const { linkBase } = readSettings(db);
  const known = customerByExternalId(db, customer.id);
  return {
    logo: look?.logo == null ? null : logoOf(db, look.logo)?.bytes ?? null,
    link: linkBase === null || known === void 0 ? "" : `${linkBase}/account/${linkOf(db, known.id)}`
  };
}

// src/server/output/ubl.ts
function ublOf(paper) {
  return writeUbl(documentOf(paper));
}
function documentOf(paper) {
  const taxed = taxOf(paper);
  return {
    kind: paper.kind,
    number: paper.number ?? "",
    issuedOn: paper.issuedOn,
    // BT-9 is the first day of payments in parts (EN 16931-1, from memory); BT-20 says all of them.
    dueOn: paper.parts?.[0]?.dueOn ?? paper.dueOn,
    currency: paper.currency,
    note: noteOf(paper),
    terms: termsOf(paper),
    poNumber: paper.poNumber,
    corrects: paper.corrects,
    seller: { ...paper.seller, id: null },
    buyer: {
      id: paper.customer.id,
      name: paper.customer.name,
      address: paper.customer.address ?? [],
      country: paper.customer.country ?? paper.seller.country,
      taxNumber: paper.customer.taxNumber ?? null,
      email: paper.customer.email
    },
    lines: paper.lines.map((line, at) => lineOf(paper, line, { at, tax: taxed(line.taxCode) })),
    allowances: paper.taxes.flatMap((tax) => allowancesOf(tax, taxed(tax.code))),
    taxes: paper.taxes.map(({ code, net, sum }) => ({ tax: taxed(code), net, sum })),
    net: paper.net,
    tax: paper.tax,
    total: paper.total
  };
}
function termsOf({ terms, parts = [], currency }) {
  const said = parts.map(({ sum, dueOn }) => `${toDecimal(sum, currency)} by ${dueOn}`);
  return said.length === 0 ? terms : said.join("; ");
}
var noteOf = ({ note, withheld, payable, currency }) => withheld === 0 ? note : [
  note,
  `Withheld: ${toDecimal(withheld, currency)}; to be paid: ${toDecimal(payable, currency)}`
].filter((part) => part !== null).join(". ");
function taxOf({ taxes }) {
  const alone = taxes.every(({ category }) => category === "none");
  const known = new Map(
    taxes.map(({ code, category, percent, note }) => {
      const traits = TAX_CATEGORIES[category];
      if (category === "none" && alone)
        return [code, { code: "O", percent: null, reason: note ?? traits.note }];
      const own = category === "none" ? "E" : traits.code;
      return [code, { code: own, percent, reason: note ?? traits.note }];
    })
  );
  return (code) => known.get(code ?? "") ?? { code: "O", percent: null, reason: TAX_CATEGORIES.none.note };
}
var allowancesOf = ({ discount, charges }, tax) => [
  ...discount === 0 ? [] : [{ charge: false, reason: "Discount", sum: discount, tax }],
  ...charges === 0 ? [] : [{ charge: true, reason: "Charges", sum: charges, tax }]
];
function lineOf({ currency, taxIncluded }, line, { at, tax }) {
  const whole = lineAmount({ ...line, discountPercent: null }, currency);
  const base = {
    id: String(at + 1),
    item: line.item,
    description: line.description,
    net: line.net,
    tax
  };
  const [size, below] = [line.quantity.replace(/^-/, ""), line.net < 0];
  if (taxIncluded)
    return {
      ...base,
      quantity: below ? `-${size}` : size,
      price: toDecimal(Math.abs(line.net), currency),
      baseQuantity: size === "0" ? null : size,
      allowance: minor(0)
    };
  const rate = decimalOf(line.rate);
  const turned = rate.ok && rate.value.units < 0n;
  const allowance = whole.ok ? minor(whole.value - line.net) : minor(0);
  return {
    ...base,
    quantity: turned ? turnedText(line.quantity) : line.quantity,
    price: turned ? line.rate.replace("-", "") : line.rate,
    baseQuantity: null,
    allowance
  };
}
function turnedText(quantity) {
  const read = decimalOf(quantity);
  return read.ok ? decimalText({ ...read.value, units: -read.value.units }) : quantity;
}

// src/server/output/paperPdf.ts
import PDFDocument from "pdfkit";

// src/server/output/paperParts.ts
import { encode } from "uqr";

// src/server/output/paperText.ts
var chosen = /* @__PURE__ */ new WeakMap();
var registered = /* @__PURE__ */ new WeakMap();
function chooseLetters(pdf, letters) {
  chosen.set(pdf, letters);
  useLetters(pdf, 400);
}
function useLetters(pdf, weight) {
  useFont(pdf, mainPart(chosen.get(pdf) ?? "plain"), weight);
}
function useFont(pdf, part, weight) {
  const known = registered.get(pdf) ?? /* @__PURE__ */ new Set();
  registered.set(pdf, known);
  const name = `${part}-${weight}`;
  if (!known.has(name)) pdf.registerFont(name, paperFont(part, weight));
  known.add(name);
  pdf.font(name);
}
function put(pdf, text, { bold = false, at, ...options } = {}) {
  const runs = runsOf(text, chosen.get(pdf) ?? "plain");
  runs.forEach((run, index) => {
    useFont(pdf, run.part, bold ? 600 : 400);
    const more = { ...options, continued: index < runs.length - 1 };
    if (index === 0 && at) pdf.text(run.text, at[0], at[1], more);
    else pdf.text(run.text, more);
  });
}

// src/server/output/paperTable.ts
var MARGIN = 54;
function columnsOf(look) {
  const quantity = look.quantities ? 0.14 : 0;
  const rate = look.rates ? 0.16 : 0;
  const columns = [
    { name: "description", width: 0.76 - quantity - rate },
    { name: "quantity", width: quantity },
    { name: "rate", width: rate },
    { name: "amount", width: 0.24 }
  ];
  return columns.filter(({ width }) => width > 0);
}
var sumText = (amount, currency) => formatAmount(amount, currency);
function rowsOf(paper, look, said) {
  const columns = columnsOf(look);
  const head = {
    head: true,
    cells: columns.map(
      ({ name }) => name === "amount" ? `${said.amount}, ${paper.currency}` : said[name]
    )
  };
  const lines = shownLines(paper.lines, look).map(({ description, amount, line }) => {
    const off = line?.discountPercent ?? null;
    const cells = {
      description: `${description}${off === null ? "" : `, ${said.less} ${off} %`}`,
      quantity: line?.quantity ?? "",
      rate: line?.rate ?? "",
      amount: sumText(amount, paper.currency)
    };
    return { head: false, cells: columns.map(({ name }) => cells[name]) };
  });
  return [head, ...lines];
}
function table(pdf, paper, { look, said }) {
  const columns = columnsOf(look);
  const whole = pdf.struct("Table");
  rootOf(pdf).add(whole);
  for (const row of rowsOf(paper, look, said)) {
    const height = heightOf(pdf, columns, row);
    if (pdf.y + height > pdf.page.height - MARGIN) pdf.addPage();
    const top = pdf.y;
    const tr = pdf.struct("TR");
    whole.add(tr);
    row.cells.forEach((cell, at) => {
      const { left, width } = placeOf(pdf, columns, at);
      const draw = () => {
        const align = at === 0 ? "left" : "right";
        put(pdf, cell, { bold: row.head, at: [left, top], width, align });
      };
      tr.add(pdf.struct(row.head ? "TH" : "TD", {}, draw));
    });
    tr.end();
    pdf.y = top + height;
    pdf.x = MARGIN;
    rule(pdf, row.head ? 0.8 : 0.3);
  }
  whole.end();
}
function placeOf(pdf, columns, at) {
  const all = pdf.page.width - 2 * MARGIN;
  const before = columns.slice(0, at).reduce((so, { width }) => so + width, 0);
  return { left: MARGIN + all * before, width: all * (columns[at]?.width ?? 0) - 6 };
}
function heightOf(pdf, columns, { cells, head }) {
  useLetters(pdf, head ? 600 : 400);
  return Math.max(
    ...cells.map(
      (cell, at) => pdf.heightOfString(cell, { width: placeOf(pdf, columns, at).width })
    )
  ) + 7;
}
function rule(pdf, thick, from = MARGIN) {
  pdf.markContent("Artifact", { type: "Layout" });
  pdf.lineWidth(thick).moveTo(from, pdf.y - 4).lineTo(pdf.page.width - MARGIN, pdf.y - 4).stroke();
  pdf.endMarkedContent();
}
var roots = /* @__PURE__ */ new WeakMap();
function begin(pdf) {
  const root = pdf.struct("Document");
  pdf.addStructure(root);
  roots.set(pdf, root);
}
function ended(pdf) {
  rootOf(pdf).end();
}
function rootOf(pdf) {
  const root = roots.get(pdf);
  if (!root) throw new Error("a paper begins before it is written");
  return root;
}
function tagged(pdf, tag, draw) {
  rootOf(pdf).add(pdf.struct(tag, {}, draw));
}

// src/server/output/paperParts.ts
function sums(pdf, paper, said) {
  const { currency } = paper;
  pdf.moveDown(0.5);
  for (const { words: words2, sum } of paperSums(paper, said))
    sumRow(pdf, [words2, sumText(sum, currency)], false);
  const half = MARGIN + (pdf.page.width - 2 * MARGIN) / 2;
  pdf.y += 5;
  rule(pdf, 0.6, half);
  sumRow(pdf, [`${said.total} ${currency}`, sumText(paper.total, currency)], true);
  pdf.y += 5;
  rule(pdf, 0.6, half);
  pdf.y += 2;
  rule(pdf, 0.6, half);
  if (paper.withheld !== 0) {
    sumRow(pdf, [said.withheld, sumText(-paper.withheld, currency)], false);
    sumRow(pdf, [said.payable, sumText(paper.payable, currency)], true);
  }
}
function instalments(pdf, paper, { said, dayWords }) {
  const parts = paperParts(paper, dayWords);
  if (parts.length === 0) return;
  pdf.moveDown(0.5);
  tagged(pdf, "P", () => put(pdf, said.in_parts, { bold: true, at: [MARGIN] }));
  for (const { words: words2, sum } of parts) sumRow(pdf, [words2, sumText(sum, paper.currency)], false, 0);
}
function sumRow(pdf, [words2, amount], bold, from = 0.5) {
  const all = pdf.page.width - 2 * MARGIN;
  const top = pdf.y;
  tagged(pdf, "P", () => {
    put(pdf, words2, { bold, at: [MARGIN + all * from, top], width: all * (0.75 - from) });
    const right = { width: all / 4 - 6, align: "right" };
    put(pdf, amount, { bold, at: [MARGIN + all * 3 / 4, top], ...right });
  });
  pdf.x = MARGIN;
}
function foot(pdf, paper, said) {
  const notes = [
    ...new Set(paper.taxes.flatMap(({ note }) => note ?? [])),
    ...paper.note === null ? [] : [paper.note],
    `${said.questions}: ${paper.seller.email}`
  ];
  pdf.moveDown(2);
  for (const note of notes) tagged(pdf, "P", () => put(pdf, note, { at: [MARGIN] }));
}
function ways(pdf, { look, said, link }) {
  if (look.bank !== "") {
    pdf.moveDown(0.8);
    tagged(pdf, "P", () => put(pdf, `${said.bank}: ${look.bank}`, { at: [MARGIN] }));
  }
  if (!look.code || link === "") return;
  pdf.moveDown(0.8);
  keepTogether(pdf, CODE_SIZE + 20);
  tagged(pdf, "P", () => put(pdf, `${said.pay_here}: ${link}`, { at: [MARGIN, pdf.y], link }));
  squareCode(pdf, link);
}
var CODE_SIZE = 76;
var codeCells = (text) => encode(text, { ecc: "M", border: 2 }).data;
function squareCode(pdf, text) {
  const cells = codeCells(text);
  const each = CODE_SIZE / cells.length;
  const top = pdf.y + 4;
  pdf.markContent("Artifact", { type: "Layout" });
  pdf.fillColor("black");
  cells.forEach(
    (row, y) => row.forEach((dark, x) => {
      if (dark) pdf.rect(MARGIN + x * each, top + y * each, each, each);
    })
  );
  pdf.fill();
  pdf.endMarkedContent();
  pdf.x = MARGIN;
  pdf.y = top + CODE_SIZE + 4;
}
function slip(pdf, paper, said) {
  const height = 96;
  keepTogether(pdf, height + 24);
  pdf.y = Math.max(pdf.y + 18, pdf.page.height - MARGIN - height);
  pdf.markContent("Artifact", { type: "Layout" });
  pdf.lineWidth(0.5).dash(3, { space: 3 }).moveTo(MARGIN, pdf.y).lineTo(pdf.page.width - MARGIN, pdf.y).stroke().undash();
  pdf.endMarkedContent();
  pdf.y += 8;
  for (const line of [
    said.slip,
    `${paper.customer.name} (${paper.customer.id})`,
    `${said[paper.kind]} ${paper.number ?? ""}: ${sumText(paper.payable, paper.currency)} ${paper.currency}`,
    `${said.paid}: ____________________`
  ])
    tagged(pdf, "P", () => put(pdf, line, { at: [MARGIN] }));
}
function keepTogether(pdf, height) {
  if (pdf.y + height > pdf.page.height - MARGIN) pdf.addPage();
}

// src/server/output/paperPdf.ts
var NO_EXTRAS = { logo: null, link: "" };
var lookOf = ({ look }) => look ?? USUAL_LOOK;
var wordsOf = ({ language }) => paperWords(language);
function sizeOf(paper) {
  const { size } = lookOf(paper);
  if (size !== "usual") return size === "letter" ? "LETTER" : "A4";
  return paper.seller.country === "US" || paper.seller.country === "CA" ? "LETTER" : "A4";
}
function blank(first, title) {
  const pdf = new PDFDocument({
    size: sizeOf(first),
    margin: MARGIN,
    subset: "PDF/A-3b",
    pdfVersion: "1.7",
    tagged: true,
    lang: first.language ?? "en",
    displayTitle: true,
    font: null,
    info: {
      Title: title,
      Author: first.seller.name,
      CreationDate: /* @__PURE__ */ new Date(`${first.issuedOn}T00:00:00Z`)
    }
  });
  chooseLetters(pdf, lookOf(first).letters);
  const pieces = [];
  pdf.on("data", (piece) => pieces.push(piece));
  const bytes = new Promise((resolve, reject) => {
    pdf.on("end", () => resolve(Buffer.concat(pieces)));
    pdf.on("error", reject);
  });
  return { pdf, bytes };
}
function paperPdf(paper, extras = NO_EXTRAS) {
  const title = headOf(paper);
  const { pdf, bytes } = blank(paper, title);
  if (paper.number !== null) enclose(pdf, paper);
  begin(pdf);
  write(pdf, paper, extras);
  ended(pdf);
  pdf.end();
  return bytes;
}
var headOf = (paper) => `${wordsOf(paper)[paper.kind]} ${paper.number ?? wordsOf(paper).draft}`;
function enclose(pdf, paper) {
  pdf.file(Buffer.from(ublOf(paper), "utf8"), {
    name: "ubl.xml",
    type: "application/xml",
    description: "The same as data (UBL 2.1, EN 16931)",
    relationship: "Alternative",
    creationDate: /* @__PURE__ */ new Date(`${paper.issuedOn}T00:00:00Z`),
    modifiedDate: /* @__PURE__ */ new Date(`${paper.issuedOn}T00:00:00Z`)
  });
}
function write(pdf, paper, extras) {
  const look = lookOf(paper);
  const said = wordsOf(paper);
  pdf.fontSize(9.5).fillColor("black").strokeColor("black");
  picture(pdf, extras.logo);
  tagged(pdf, "P", () => put(pdf, sellerLines(paper).join("\n")));
  pdf.moveDown(2);
  tagged(pdf, "H1", () => {
    pdf.fontSize(18).fillColor(look.accent);
    put(pdf, headOf(paper), { bold: true });
    pdf.fontSize(9.5).fillColor("black");
  });
  pdf.moveDown(0.6);
  tagged(pdf, "P", () => put(pdf, addressed(paper).join("\n")));
  pdf.moveDown(0.6);
  for (const [term, said2] of factsOf(paper)) tagged(pdf, "P", () => put(pdf, `${term}: ${said2}`));
  words(pdf, look.above);
  pdf.moveDown(1.2).strokeColor(look.accent);
  table(pdf, paper, { look, said });
  sums(pdf, paper, said);
  instalments(pdf, paper, { said, dayWords: (of) => longDay(of, paper) });
  foot(pdf, paper, said);
  ways(pdf, { look, said, link: extras.link });
  words(pdf, look.below);
  if (look.slip && paper.kind === "invoice") slip(pdf, paper, said);
}
function words(pdf, said) {
  if (said === "") return;
  pdf.moveDown(0.8);
  tagged(pdf, "P", () => put(pdf, said, { at: [MARGIN] }));
}
var PICTURE_HEIGHT = 48;
function picture(pdf, logo) {
  if (logo === null) return;
  pdf.markContent("Artifact", { type: "Layout" });
  const left = pdf.page.width - MARGIN - 4 * PICTURE_HEIGHT;
  pdf.image(logo, left, MARGIN, { fit: [4 * PICTURE_HEIGHT, PICTURE_HEIGHT], align: "right" });
  pdf.endMarkedContent();
  pdf.x = MARGIN;
  pdf.y = MARGIN;
}
var sellerLines = (paper) => [
  paper.seller.name,
  ...paper.seller.address,
  ...paper.seller.taxNumber === null ? [] : [`${wordsOf(paper).tax_number} ${paper.seller.taxNumber}`]
];
function addressed(paper) {
  const { name, id, address, taxNumber } = paper.customer;
  return [
    `${name} (${id})`,
    ...address ?? [],
    ...taxNumber == null ? [] : [`${wordsOf(paper).tax_number} ${taxNumber}`]
  ];
}
var longDay = (of, { language }) => paperDay(of, language);
function factsOf(paper) {
  const said = wordsOf(paper);
  const facts = [[said.date, longDay(paper.issuedOn, paper)]];
  const terms = paper.terms === null ? "" : ` (${paper.terms})`;
  if (paper.parts) facts.push([said.in_parts, paper.terms ?? ""]);
  else if (paper.kind === "invoice")
    facts.push([said.due, `${longDay(paper.dueOn, paper)}${terms}`]);
  if (paper.poNumber !== null) facts.push([said.po, paper.poNumber]);
  if (paper.corrects !== null) facts.push([said.corrects, paper.corrects]);
  return facts;
}

export {
  paperOfNumber,
  paperOfItem,
  extrasOf,
  ublOf,
  paperPdf
};
