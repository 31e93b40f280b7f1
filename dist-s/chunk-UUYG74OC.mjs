import {
  attachmentsOfDocument,
  backFrom,
  insertContact,
  setBack
} from "./chunk-3UEBMBKW.mjs";
import {
  lastLetterTo,
  letterById,
  letterByMessage,
  papersOfLetter,
  setCameBack,
  setDelivery,
  setReached
} from "./chunk-M4LGBKXJ.mjs";
import {
  defineCommand
} from "./chunk-TFINCUNW.mjs";
import {
  keptFile,
  outboxFile,
  secretOf
} from "./chunk-HCLLIY37.mjs";
import {
  documentOfItem
} from "./chunk-VU6MJZGF.mjs";
import {
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  addDays,
  textOnly
} from "./chunk-HBIDXRTT.mjs";
import {
  ok
} from "./chunk-V6I26S2F.mjs";

// src/db/mailRead.ts
function insertMailRead(db, mail) {
  db.run(
    "INSERT INTO mail_read (mailbox, uid, message_id, from_address, subject, on_day, became, words, customer_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    mail.mailbox,
    mail.uid,
    mail.messageId,
    mail.fromAddress,
    mail.subject,
    mail.onDay,
    mail.became,
    mail.words,
    mail.customerId
  );
}
var isMailRead = (db, mailbox, uid) => db.get("SELECT 1 FROM mail_read WHERE mailbox = ? AND uid = ?", mailbox, uid) !== void 0;
var isMessageRead = (db, messageId, from) => db.get("SELECT 1 FROM mail_read WHERE message_id = ? AND from_address = ?", messageId, from) !== void 0;
var lastMailRead = (db, mailbox) => db.get("SELECT max(uid) AS uid FROM mail_read WHERE mailbox = ?", mailbox)?.uid ?? null;

// src/server/arrivals/commands/takeMail.ts
import { z as z2 } from "zod";

// src/server/overdue/steps/returnedMails.ts
import { z } from "zod";

// src/server/output/delivery.ts
import { mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

// src/server/output/letterPapers.ts
import { readFileSync } from "node:fs";
async function attachmentsOf(db, book, letter) {
  if (letter.receiptId !== null) return receiptPaper(db, letter.receiptId);
  if (letter.attach === "none") return [];
  const { invoicePdf } = await import("./papers-WVN5BW2L.mjs");
  const { statementPdf } = await import("./statementPapers-JVVNQDXZ.mjs");
  if (letter.step === 0) return documentPapers(db, book, letter);
  const papers = pdf(
    `statement-${letter.onDay}.pdf`,
    await statementPdf(db, letter.customerId, addDays(letter.onDay, -STATEMENT_DAYS), letter.onDay)
  );
  if (letter.attach === "invoices")
    for (const item of papersOfLetter(db, letter.id))
      papers.push(
        ...pdf(`${item.number.replace(/[^A-Za-z0-9-]/g, "_")}.pdf`, await invoicePdf(db, item.id))
      );
  return papers;
}
var pdf = (filename, content) => content ? [{ filename, content, contentType: "application/pdf" }] : [];
async function receiptPaper(db, receiptId) {
  const { receiptPdf } = await import("./receiptPaper-EU2RL5EH.mjs");
  return pdf(`receipt-${receiptId}.pdf`, await receiptPdf(db, receiptId));
}
async function documentPapers(db, book, letter) {
  const { invoicePdf } = await import("./papers-WVN5BW2L.mjs");
  const papers = [];
  for (const { id, number } of papersOfLetter(db, letter.id)) {
    const content = await invoicePdf(db, id);
    papers.push(...pdf(`${number.replace(/[^A-Za-z0-9-]/g, "_")}.pdf`, content));
    const document = documentOfItem(db, id);
    for (const laid of document ? attachmentsOfDocument(db, document.id) : [])
      papers.push({
        filename: laid.name,
        content: readFileSync(keptFile(book, laid.sha256)),
        contentType: laid.type
      });
  }
  return papers;
}
var STATEMENT_DAYS = 92;

// src/server/output/delivery.ts
async function deliverLetter(db, book, letterId, now = /* @__PURE__ */ new Date()) {
  const letter = letterById(db, letterId);
  if (letter?.delivery !== "queued" && letter?.delivery !== "retry") return;
  const settings = readSettings(db);
  const message = {
    ...messageOf(letter, settings),
    attachments: await attachmentsOf(db, book, letter)
  };
  const { default: MailComposer } = await import("nodemailer/lib/mail-composer");
  const bytes = await new MailComposer(message).compile().build();
  const path = outboxFile(book, letter.fileName);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(`${path}.part`, bytes);
  renameSync(`${path}.part`, path);
  if (settings.mailServer === null) {
    db.transaction(() => setDelivery(db, letterId, "outbox"));
    return;
  }
  const server = { ...settings.mailServer, secret: secretOf(book, "mail") };
  const reached = letter.reached.split(", ").filter((address) => address !== "");
  const envelope = addressesOf(letter).filter(
    (address) => backFrom(db, address) === null && !reached.includes(address)
  );
  db.transaction(
    () => setDelivery(db, letterId, "handing", { tries: letter.tries, nextTry: letter.nextTry })
  );
  const outcome = envelope.length === 0 ? NOBODY_LEFT : await handOver(server, { ...message, raw: bytes }, [settings.replyTo, ...envelope]);
  db.transaction(() => {
    for (const { address, why } of outcome.back) setBack(db, address, why, letter.onDay);
    if (outcome.reached.length > 0) setReached(db, letterId, [...reached, ...outcome.reached]);
    if (outcome.over !== null && reached.length === 0) {
      setDelivery(db, letterId, "not sent");
      return setCameBack(db, letterId, outcome.over);
    }
    if (outcome.again === null) return setDelivery(db, letterId, "sent");
    const wait = RETRY_MINUTES[letter.tries];
    if (wait === void 0) return setDelivery(db, letterId, `not sent: ${outcome.again}`);
    setDelivery(db, letterId, "retry", {
      tries: letter.tries + 1,
      nextTry: new Date(now.getTime() + wait * 6e4).toISOString()
    });
  });
}
async function handOver({ host, port, secure, user, secret }, message, [from, ...to]) {
  const { default: nodemailer } = await import("nodemailer");
  const auth = user === null ? {} : { auth: { user, pass: secret ?? "" } };
  return nodemailer.createTransport({ host, port, secure, ...auth }).sendMail({ ...message, envelope: { from, to } }).then((info) => sentTo(info, to), outcomeOf);
}
function addressesOf({
  toAddress,
  copyAddress
}) {
  return [toAddress, copyAddress].flatMap((some) => some.split(", ")).filter((address) => address !== "");
}
var RETRY_MINUTES = [5, 30, 120, 480, 1440, 1440];
var NOBODY_LEFT = {
  reached: [],
  back: [],
  again: null,
  over: "letters come back from every address that it has"
};
function outcomeOf(said) {
  const {
    rejectedErrors = [],
    code,
    ...whole
  } = said;
  const back = rejectedErrors.filter(({ responseCode = 0 }) => responseCode >= 500).flatMap(
    (rejectedError) => rejectedError.recipient === void 0 ? [] : [{ address: rejectedError.recipient, why: words(rejectedError) }]
  );
  const busy = rejectedErrors.find(({ responseCode = 0 }) => responseCode < 500);
  if (busy) return { back, again: words(busy), over: null, reached: [] };
  if (back[0]) return { back, again: null, over: back[0].why, reached: [] };
  return code === "EMESSAGE" && (whole.responseCode ?? 0) >= 500 ? { back, again: null, over: words(whole), reached: [] } : { back, again: words(whole), over: null, reached: [] };
}
function sentTo(info, envelope) {
  const { rejectedErrors = [] } = info;
  const { back, again } = outcomeOf({ rejectedErrors });
  return {
    back,
    again: rejectedErrors.some(({ responseCode = 0 }) => responseCode < 500) ? again : null,
    over: null,
    reached: envelope.filter(
      (address) => !rejectedErrors.some(({ recipient }) => recipient === address)
    )
  };
}
function words({ responseCode = 0, response }) {
  if (responseCode === 0) return "the mail server was not reached";
  return responseCode >= 500 && response !== void 0 ? response.replace(/\s+/g, " ").slice(0, 160) : `the mail server answered ${responseCode}`;
}
function messageOf(letter, settings) {
  return {
    from: { name: settings.name, address: settings.replyTo },
    to: letter.toAddress,
    cc: letter.copyAddress,
    subject: letter.subject,
    text: letter.body,
    messageId: letter.messageId,
    date: /* @__PURE__ */ new Date(`${letter.onDay}T12:00:00Z`)
  };
}

// src/server/overdue/steps/returnedLetter.ts
function noteBack(ctx, letter, address, why) {
  setCameBack(ctx.db, letter.id, why);
  setBack(ctx.db, address, why, ctx.today);
  ctx.act(
    "settings",
    { kind: "customer", id: letter.customerId, customerId: letter.customerId },
    `the letter to ${address} came back: ${why}`
  );
}

// src/server/overdue/steps/returnedMails.ts
var returnedMailSchema = z.object({
  file: z.string().max(300),
  messageId: z.string().max(500).nullable(),
  recipients: z.array(
    z.object({
      address: z.string().max(320),
      forGood: z.boolean(),
      why: z.string().min(1).max(200)
    })
  ).max(200)
});
function returned(ctx, { file, messageId, recipients }) {
  const failed = recipients.filter(({ forGood }) => forGood);
  if (failed.length === 0)
    return { file, letters: [], words: "says that the mail is late, not lost: nothing is noted" };
  const letters = failed.flatMap(({ address, why }) => {
    const letter = (messageId === null ? void 0 : letterByMessage(ctx.db, messageId)) ?? lastLetterTo(ctx.db, address);
    if (!letter) return [];
    const own = addressesOf(letter);
    const ours = own.find((name) => name.toLowerCase() === address.toLowerCase()) ?? (own.length === 1 && own[0] !== void 0 ? own[0] : address);
    if (backFrom(ctx.db, ours) === null) noteBack(ctx, letter, ours, why);
    return [{ letterId: letter.id, customerId: letter.customerId, address: ours, why }];
  });
  return {
    file,
    letters,
    words: letters.length > 0 ? `no letter goes to ${letters.map(({ address }) => address).join(", ")} any more` : `no letter of this book went to ${failed[0]?.address ?? ""}`
  };
}

// src/server/arrivals/commands/takeMail.ts
var mailSchema = z2.object({
  mailbox: z2.string().min(1).max(400),
  uid: z2.number().int().positive(),
  messageId: z2.string().max(500).nullable(),
  from: z2.string().max(320),
  subject: z2.string().max(300),
  /** Message-IDs of what it answers. */
  answers: z2.array(z2.string().max(500)).max(50),
  automatic: z2.boolean(),
  words: z2.string().max(2e3),
  report: returnedMailSchema.nullable(),
  /** The files that it brought, and what became of each, in words. */
  files: z2.array(z2.string().max(400)).max(20),
  /** Why nothing that it brought was taken up; null where it was, or there is nothing. */
  left: z2.string().max(300).nullable()
});
var takeMail = defineCommand({
  name: "takeMail",
  schema: mailSchema,
  run(ctx, mail) {
    if (isMailRead(ctx.db, mail.mailbox, mail.uid)) return ok(null);
    const { mailbox, uid, messageId, from, subject } = mail;
    const isAgain = messageId !== null && isMessageRead(ctx.db, messageId, from);
    const done = isAgain ? READ_BEFORE : becameOf(ctx, mail);
    insertMailRead(ctx.db, {
      mailbox,
      uid,
      messageId,
      fromAddress: from,
      subject,
      onDay: ctx.today,
      ...done
    });
    return ok(done);
  }
});
var READ_BEFORE = { became: "left", words: "was read before", customerId: null };
function becameOf(ctx, mail) {
  if (mail.report) {
    const { words: words2, letters } = returned(ctx, mail.report);
    return { became: "report", words: words2, customerId: letters[0]?.customerId ?? null };
  }
  const letter = mail.automatic ? void 0 : answered(ctx, mail);
  if (letter) noteReply(ctx, letter, mail);
  const files = mail.files.join("; ");
  const customerId = letter?.customerId ?? null;
  if (files !== "") return { became: "files", words: files, customerId };
  const left = mail.left === null ? "" : `; ${mail.left}`;
  if (letter) return { became: "reply", words: `${saidTo(letter, mail)}${left}`, customerId };
  return { became: "left", words: mail.left ?? whyLeft(mail), customerId: null };
}
var SHOWN = 200;
function saidTo({ subject }, { words: words2 }) {
  const said = textOnly(words2.replace(/\s+/g, " ").trim(), SHOWN);
  return said === "" ? `answers \u201C${subject}\u201D` : `\u201C${said}\u201D, to \u201C${subject}\u201D`;
}
var whyLeft = ({ automatic }) => automatic ? "an automatic answer" : "answers no letter of this book, and brings no file";
function answered({ db }, { answers }) {
  for (const id of answers) {
    const letter = letterByMessage(db, id);
    if (letter) return letter;
  }
  return void 0;
}
function noteReply(ctx, letter, mail) {
  const { customerId } = letter;
  const left = mail.left === null ? "" : ` (${mail.left})`;
  const text = `By mail from ${mail.from || "somebody"}: ${mail.words || "(no words)"}${left}`;
  const subject = { kind: "customer", id: customerId, customerId };
  const actId = ctx.act("contact", subject, `note: ${text}`);
  insertContact(ctx.db, {
    customerId,
    kind: "note",
    onDay: ctx.today,
    text,
    promisedOn: null,
    promisedSum: null,
    step: null,
    actId
  });
}

export {
  deliverLetter,
  addressesOf,
  noteBack,
  lastMailRead,
  returnedMailSchema,
  returned,
  takeMail
};
