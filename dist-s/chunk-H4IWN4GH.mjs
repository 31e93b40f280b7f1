import {
  ALL_PARTS,
  mainPart,
  paperFont,
  runsOf
} from "./chunk-AQEELLRW.mjs";
import {
  logoOf
} from "./chunk-25VLJY7E.mjs";
import {
  lookOf
} from "./chunk-JTB3IXVD.mjs";
import {
  cardOf,
  followedRow
} from "./chunk-JF77VF3J.mjs";
import {
  linkOf
} from "./chunk-NIPXDDDQ.mjs";
import {
  readSettings,
  statementWords
} from "./chunk-WZI5MHZ3.mjs";
import {
  formatAmount
} from "./chunk-HBIDXRTT.mjs";

// src/server/output/pdf.ts
import { createRequire } from "node:module";
import { join } from "node:path";
var maker = null;
function printer() {
  if (maker) return maker;
  const require2 = createRequire(join(process.env.DOZO_ROOT ?? process.cwd(), "package.json"));
  const made = require2("pdfmake");
  for (const part of ALL_PARTS)
    for (const weight of [400, 600])
      made.virtualfs.writeFileSync(`${part}-${weight}`, paperFont(part, weight));
  const weights = (part) => {
    const [normal, bold] = [`${part}-400`, `${part}-600`];
    return { normal, bold, italics: normal, bolditalics: bold };
  };
  made.setFonts({
    ...Object.fromEntries(ALL_PARTS.map((part) => [part, weights(part)])),
    plain: weights("figtree-latin"),
    serif: weights("source-serif-4-latin")
  });
  made.setUrlAccessPolicy(() => false);
  made.setLocalAccessPolicy(() => false);
  maker = made;
  return made;
}
function printable(text, letters = "plain") {
  const own = mainPart(letters);
  const pieces = runsOf(text, letters).map(
    (run) => run.part === own ? { text: run.text } : { text: run.text, font: run.part }
  );
  return pieces.length === 1 && pieces[0] && !("font" in pieces[0]) ? pieces[0].text : pieces;
}
async function printed(definition) {
  return printer().createPdf({
    pageSize: "LETTER",
    pageMargins: [48, 52, 48, 48],
    defaultStyle: { font: "plain", fontSize: 9, lineHeight: 1.15 },
    footer: (page, pages) => ({
      text: `${page} of ${pages}`,
      alignment: "right",
      margin: [48, 12, 48, 0],
      fontSize: 8
    }),
    ...definition
  }).getBuffer();
}

// src/server/output/accountPaper.ts
function dressOf(db, customer) {
  const seller = readSettings(db);
  const look = lookOf(seller, cardOf(db, customer.id).look);
  const { language } = followedRow(db, customer.id);
  const logo = look.logo === null ? null : logoOf(db, look.logo);
  const { linkBase } = seller;
  return {
    look,
    language,
    said: statementWords(language),
    seller,
    logo: logo && `data:${logo.type};base64,${logo.bytes.toString("base64")}`,
    link: linkBase === null ? "" : `${linkBase}/account/${linkOf(db, customer.id)}`
  };
}
var above = (space) => [0, space, 0, 0];
function dressed(dress, { title, to, facts = [] }, content) {
  const { look, logo, seller, said, link } = dress;
  const foot = [
    ...look.bank === "" ? [] : [`${said.bank}: ${look.bank}`],
    ...link === "" ? [] : [`${said.account}: ${link}`],
    `${said.questions}: ${seller.replyTo}`
  ];
  return {
    font: look.letters,
    stack: [
      {
        columns: [
          {
            text: printable([seller.name, ...seller.address].join("\n"), look.letters),
            width: "*"
          },
          ...logo === null ? [] : [picture(logo)]
        ]
      },
      {
        text: printable(title, look.letters),
        fontSize: 16,
        bold: true,
        color: look.accent,
        margin: [0, 14, 0, 6]
      },
      { text: printable(to.join("\n"), look.letters), margin: [0, 0, 0, 8] },
      ...facts.map(([term, fact]) => ({ text: printable(`${term}: ${fact}`, look.letters) })),
      { text: "", margin: above(8) },
      ...content,
      ...foot.map((line, at) => ({
        text: printable(line, look.letters),
        margin: above(at === 0 ? 16 : 4)
      }))
    ]
  };
}
var picture = (image) => ({ image, fit: [192, 48], width: "auto" });
var ledgerTable = ({ look }, widths, body) => ({
  layout: {
    vLineWidth: () => 0,
    hLineWidth: (line) => line === 1 ? 1 : 0.3,
    hLineColor: (line) => line === 1 ? look.accent : "#bbbbbb",
    paddingLeft: (column) => column === 0 ? 0 : 6,
    paddingRight: (column) => column === widths.length - 1 ? 0 : 6
  },
  table: { headerRows: 1, widths, body }
});
var sizeOf = ({ look, seller }) => {
  if (look.size !== "usual") return look.size === "letter" ? "LETTER" : "A4";
  return seller.country === "US" || seller.country === "CA" ? "LETTER" : "A4";
};
var inDress = (dress, title, content) => printed({ pageSize: sizeOf(dress), language: dress.language, info: { title }, content });
var right = (text, bold = false) => ({
  text: printable(text),
  alignment: "right",
  bold
});
var left = (text, bold = false) => ({ text: printable(text), bold });
var sum = (amount, currency) => formatAmount(amount, currency);

// src/server/output/addressedTo.ts
var addressedTo = (db, { id, name, externalId }) => [
  `${name} (${externalId})`,
  ...cardOf(db, id).address
];

export {
  printable,
  printed,
  dressOf,
  dressed,
  ledgerTable,
  inDress,
  right,
  left,
  sum,
  addressedTo
};
