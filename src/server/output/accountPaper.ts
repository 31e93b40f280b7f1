import type { Column, Content, TableCell, TDocumentDefinitions } from "pdfmake/interfaces";

import { type PaperLook, type StatementWords, statementWords } from "@/core/invoices";
import { type Currency, formatAmount } from "@/core/money";
import { linkOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { cardOf } from "@/db/customerCards";
import type { CustomerRow } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { logoOf } from "@/db/logos";
import { readSettings, type Settings } from "@/db/settings";

import { lookOf } from "../settings/lookOf";
import { printable, printed } from "./pdf";

/** How a customer's papers look and speak: its look, its language, who sends them. */
export type PaperDress = {
  look: PaperLook;
  language: string;
  said: StatementWords;
  seller: Settings;
  logo: string | null;
  /** The address of the customer's account page; empty where there is none. */
  link: string;
};

export function dressOf(db: Db, customer: Pick<CustomerRow, "id">): PaperDress {
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
    link: linkBase === null ? "" : `${linkBase}/account/${linkOf(db, customer.id)}`,
  };
}

type Margin = [left: number, top: number, right: number, bottom: number];
const above = (space: number): Margin => [0, space, 0, 0];

/** What is said of a paper above its tables. */
type PaperHead = { title: string; to: readonly string[]; facts?: readonly [string, string][] };

/** A paper in a customer's dress: who sends it, what it is, whom it is for, what it says, how to pay and to ask. */
export function dressed(
  dress: PaperDress,
  { title, to, facts = [] }: PaperHead,
  content: readonly Content[],
): Content {
  const { look, logo, seller, said, link } = dress;
  const foot = [
    ...(look.bank === "" ? [] : [`${said.bank}: ${look.bank}`]),
    ...(link === "" ? [] : [`${said.account}: ${link}`]),
    `${said.questions}: ${seller.replyTo}`,
  ];
  return {
    font: look.letters,
    stack: [
      {
        columns: [
          {
            text: printable([seller.name, ...seller.address].join("\n"), look.letters),
            width: "*",
          },
          ...(logo === null ? [] : [picture(logo)]),
        ],
      },
      {
        text: printable(title, look.letters),
        fontSize: 16,
        bold: true,
        color: look.accent,
        margin: [0, 14, 0, 6] as Margin,
      },
      { text: printable(to.join("\n"), look.letters), margin: [0, 0, 0, 8] as Margin },
      ...facts.map(([term, fact]) => ({ text: printable(`${term}: ${fact}`, look.letters) })),
      { text: "", margin: above(8) },
      ...content,
      ...foot.map((line, at) => ({
        text: printable(line, look.letters),
        margin: above(at === 0 ? 16 : 4),
      })),
    ],
  };
}

const picture = (image: string): Column =>
  ({ image, fit: [192, 48], width: "auto" }) as unknown as Column;

/** A ledger's table: its columns of words from the left, its sums from the right, a rule in the look's colour. */
export const ledgerTable = (
  { look }: Pick<PaperDress, "look">,
  widths: string[],
  body: TableCell[][],
): Content => ({
  layout: {
    vLineWidth: () => 0,
    hLineWidth: (line: number) => (line === 1 ? 1 : 0.3),
    hLineColor: (line: number) => (line === 1 ? look.accent : "#bbbbbb"),
    paddingLeft: (column: number) => (column === 0 ? 0 : 6),
    paddingRight: (column: number) => (column === widths.length - 1 ? 0 : 6),
  },
  table: { headerRows: 1, widths, body },
});

/** Letter where the look or the seller's country says so, else A4. */
const sizeOf = ({ look, seller }: PaperDress): "LETTER" | "A4" => {
  if (look.size !== "usual") return look.size === "letter" ? "LETTER" : "A4";
  return seller.country === "US" || seller.country === "CA" ? "LETTER" : "A4";
};

export const inDress = (
  dress: PaperDress,
  title: string,
  content: TDocumentDefinitions["content"],
): Promise<Buffer> =>
  printed({ pageSize: sizeOf(dress), language: dress.language, info: { title }, content });

export const right = (text: string, bold = false): TableCell => ({
  text: printable(text),
  alignment: "right",
  bold,
});

export const left = (text: string, bold = false): TableCell => ({ text: printable(text), bold });

export const sum = (amount: number, currency: Currency): string => formatAmount(amount, currency);
