import {
  addressedTo,
  dressOf,
  dressed,
  inDress,
  ledgerTable,
  left,
  printable,
  printed,
  right,
  sum
} from "./chunk-H4IWN4GH.mjs";
import "./chunk-AQEELLRW.mjs";
import {
  openLinesAsOf,
  positionLines
} from "./chunk-3DTDTNHT.mjs";
import {
  paperDay
} from "./chunk-25VLJY7E.mjs";
import {
  BUCKETS,
  agingOf
} from "./chunk-KA42FKD4.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-JF77VF3J.mjs";
import "./chunk-NIPXDDDQ.mjs";
import {
  customerById,
  familyOf
} from "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import {
  readSettings,
  statementWords
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  addDays,
  sumOf
} from "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";

// src/server/customers/queries/statement.ts
function statementOf(db, customerId, from, to) {
  const customer = customerById(db, customerId);
  if (!customer) return null;
  const { currency: book } = readSettings(db);
  const family = customer.parentId === null ? familyOf(db, customerId) : [customer];
  const ids = family.map(({ id }) => id);
  const moved = positionLines(db, ids, to);
  const open = openLinesAsOf(db, ids, to);
  const currencies = [
    .../* @__PURE__ */ new Set([...moved.map(({ currency }) => currency), ...open.map(({ currency }) => currency)])
  ].sort((a, b) => Number(b === book) - Number(a === book) || a.localeCompare(b));
  const before = addDays(from, -1);
  const parts = currencies.map((currency) => {
    const own = moved.filter((line) => line.currency === currency);
    const opening = sumOf(
      own.filter(({ on }) => on <= before),
      ({ amount }) => amount
    );
    let balance = opening;
    const lines = own.filter(({ on }) => on > before).map((line) => {
      balance = add(balance, line.amount);
      const what = statementWords("en").events[line.event] ?? line.event.replaceAll("_", " ");
      return {
        on: line.on,
        words: line.document.startsWith(what) ? line.document : `${what}: ${line.document}`,
        event: line.event,
        document: line.document,
        amount: line.amount,
        balance
      };
    });
    const items = open.filter((item) => item.currency === currency);
    const owed = sumOf(items, (item) => item.balance);
    return {
      currency,
      opening,
      lines,
      closing: balance,
      open: items,
      onAccount: add(balance, -owed),
      aging: agingOf(
        items.map((item) => ({
          dueOn: item.kind === "credit_note" ? item.issuedOn : item.dueOn,
          balance: item.balance
        })),
        to
      )
    };
  }).filter((part) => part.lines.length > 0 || part.opening !== 0 || part.open.length > 0);
  return { customer, sites: ids.length - 1, from, to, parts };
}

// src/server/output/statementPart.ts
function partOf(part, span, dress) {
  const words = `${dress.said.currency} ${part.currency}`;
  return [
    { text: words, bold: true, margin: [0, 8, 0, 4] },
    movements(part, span, dress),
    ...part.open.length === 0 ? [] : openPart(part, dress)
  ];
}
function movements(part, { from, to }, dress) {
  const { said, language } = dress;
  const amount = (of, bold = false) => right(sum(of, part.currency), bold);
  return ledgerTable(
    dress,
    ["auto", "*", "auto", "auto"],
    [
      [
        left(said.day, true),
        left(said.what, true),
        right(said.amount, true),
        right(said.balance, true)
      ],
      [left(paperDay(from, language)), left(said.opening), right(""), amount(part.opening)],
      ...part.lines.map((line) => [
        left(paperDay(line.on, language)),
        left(movementWords(line, dress)),
        amount(line.amount),
        amount(line.balance)
      ]),
      [
        left(paperDay(to, language), true),
        left(said.closing, true),
        right(""),
        amount(part.closing, true)
      ]
    ]
  );
}
function movementWords({ event, document, words }, { said, language }) {
  const what = said.events[event];
  if (language === "en" || what === void 0) return words;
  const named = /^(?:invoice|credit note|fee) (.+)$/.exec(document)?.[1];
  return named === void 0 ? `${what}: ${document}` : `${what} ${named}`;
}
function openPart(part, dress) {
  const { said } = dress;
  return [
    { text: said.open, bold: true, margin: [0, 12, 0, 4] },
    openTable(part, dress),
    { text: "", margin: [0, 10, 0, 0] },
    ledgerTable(
      dress,
      BUCKETS.map(() => "*"),
      [
        said.ages.map((age) => right(age, true)),
        BUCKETS.map((bucket) => right(sum(part.aging[bucket], part.currency)))
      ]
    )
  ];
}
function openTable({ open, onAccount, closing, currency }, dress) {
  const { said, language } = dress;
  const amount = (of, bold = false) => right(sum(of, currency), bold);
  return ledgerTable(
    dress,
    ["auto", "*", "auto", "auto", "auto"],
    [
      headOfOpen(said),
      ...open.map((item) => [
        left(item.number),
        left(item.description ?? ""),
        left(item.kind === "credit_note" ? "" : paperDay(item.dueOn, language)),
        amount(item.total),
        amount(item.balance)
      ]),
      ...onAccount === 0 ? [] : [[left(""), left(said.on_account), left(""), right(""), amount(onAccount)]],
      [left("", true), left(said.together, true), left(""), right(""), amount(closing, true)]
    ]
  );
}
var headOfOpen = (said) => [
  left(said.number, true),
  left(said.applied, true),
  left(said.due, true),
  right(said.total, true),
  right(said.open, true)
];

// src/server/output/statementPapers.ts
async function statementPdf(db, customerId, from, to) {
  const statement = statementOf(db, customerId, from, to);
  if (!statement) return null;
  const dress = dressOf(db, statement.customer);
  const title = `${dress.said.statement}, ${statement.customer.name}`;
  return inDress(dress, title, [statementContent(db, statement, dress)]);
}
async function statementsPdf(db, statements) {
  const together = [
    ...new Set(statements.flatMap(({ parts }) => parts.map(({ currency }) => currency)))
  ].map((currency) => [
    left(`Together in ${currency}`, true),
    right(
      sum(
        sumOf(
          statements.flatMap(({ parts }) => parts.filter((part) => part.currency === currency)),
          ({ closing }) => closing
        ),
        currency
      ),
      true
    )
  ]);
  return printed({
    info: { title: "Statements of account" },
    content: [
      ...statements.map((statement, at) => ({
        stack: [statementContent(db, statement, dressOf(db, statement.customer))],
        ...at > 0 ? { pageBreak: "before" } : {}
      })),
      {
        pageBreak: statements.length > 0 ? "before" : void 0,
        table: {
          widths: ["*", "auto"],
          body: [
            [
              left(`${statements.length} ${statements.length === 1 ? "statement" : "statements"}`),
              right("")
            ],
            ...together
          ]
        },
        layout: "lightHorizontalLines"
      }
    ]
  });
}
function statementContent(db, statement, dress) {
  const { from, to, customer, sites, parts } = statement;
  const { said, language } = dress;
  const [name = "", ...address] = addressedTo(db, customer);
  return dressed(
    dress,
    {
      title: said.statement,
      to: [`${name}${sites > 0 ? ` ${said.sites} (${sites})` : ""}`, ...address],
      facts: [
        [said.day, `${paperDay(from, language)} ${said.until} ${paperDay(to, language)}`],
        ...parts.map(({ currency, closing }) => [
          said.closing,
          `${currency} ${sum(closing, currency)}`
        ])
      ]
    },
    parts.length === 0 ? [{ text: printable(said.nothing) }] : parts.flatMap((part) => partOf(part, statement, dress))
  );
}
export {
  statementPdf,
  statementsPdf
};
