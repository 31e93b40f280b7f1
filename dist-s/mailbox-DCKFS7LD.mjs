import {
  takeUp
} from "./chunk-HJ6KYM5H.mjs";
import {
  lastMailRead,
  takeMail
} from "./chunk-UUYG74OC.mjs";
import "./chunk-WA3RKHIW.mjs";
import "./chunk-3UEBMBKW.mjs";
import "./chunk-3TMTUJPD.mjs";
import "./chunk-EZF23G65.mjs";
import "./chunk-RO3WTR75.mjs";
import "./chunk-SJVNGOAI.mjs";
import "./chunk-M4LGBKXJ.mjs";
import "./chunk-KA42FKD4.mjs";
import "./chunk-ZD2GVI7S.mjs";
import "./chunk-BXTJSLBJ.mjs";
import "./chunk-TSQGS7QX.mjs";
import "./chunk-WAZVMD4U.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-NRWURLOU.mjs";
import {
  runCommand
} from "./chunk-TFINCUNW.mjs";
import "./chunk-H7MVWNRR.mjs";
import {
  mailboxLookFile,
  openBookToWrite,
  secretOf
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  inWords,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import "./chunk-KRT4445E.mjs";
import "./chunk-JF77VF3J.mjs";
import "./chunk-NIPXDDDQ.mjs";
import "./chunk-47CXCVCB.mjs";
import {
  isForged,
  maySend,
  ownWords
} from "./chunk-HT5266AL.mjs";
import {
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  textOnly
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/cli/mailbox.ts
import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync as writeFileSync2 } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

// src/server/arrivals/mailbox/fetchMails.ts
var MOST_BYTES = 3e7;
var FIRST_LOOK_DAYS = 7;
var PATIENCE_MS = 2e4;
async function fetchMails({ server, lastRead, take }) {
  const { ImapFlow } = await import("imapflow");
  const { host, port, secure, user, secret } = server;
  const client = new ImapFlow({
    host,
    port,
    secure,
    ...secure || isThisMachine(host) ? {} : { doSTARTTLS: true },
    auth: { user: user ?? "", pass: secret ?? "" },
    logger: false,
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS * 3
  });
  client.on("error", () => void 0);
  try {
    await client.connect();
    const lock = await client.getMailboxLock("INBOX", { readOnly: true });
    try {
      return await takeNew(client, `${user}@${host}`, { lastRead, take });
    } finally {
      lock.release();
      await client.logout();
    }
  } catch (error) {
    return failureOf(error, host);
  } finally {
    client.close();
  }
}
async function takeNew(client, name, { lastRead, take }) {
  const validity = client.mailbox === false ? 0n : client.mailbox.uidValidity;
  const box = `${name} ${validity}`;
  const read = lastRead(box);
  if (!read.ok) return read;
  const last = read.value;
  const since = new Date(Date.now() - FIRST_LOOK_DAYS * 864e5);
  const sought = last === null ? { since } : { uid: `${last + 1}:*` };
  const found = await client.search(sought, { uid: true });
  const uids = (found || []).filter((uid) => uid > (last ?? 0)).sort((a, b) => a - b);
  for (const uid of uids) {
    const failed2 = await take({ box, uid, bytes: await bytesOf(client, uid) });
    if (failed2) return { ok: false, error: failed2 };
  }
  return ok(uids.length);
}
async function bytesOf(client, uid) {
  const head = await client.fetchOne(String(uid), { size: true }, { uid: true });
  if (head === false || (head.size ?? 0) > MOST_BYTES) return null;
  const whole = await client.fetchOne(String(uid), { source: true }, { uid: true });
  return whole === false ? null : whole.source ?? null;
}
var isThisMachine = (host) => ["localhost", "127.0.0.1", "::1"].includes(host);
function failureOf(error, host) {
  const said2 = error;
  if (said2.authenticationFailed === true) return fail("mailbox.login", { host });
  const why = said2.responseText ?? said2.code ?? (error instanceof Error ? error.message : "");
  return fail("mailbox.not_reached", { host, why: why.slice(0, 120) || "no answer" });
}

// src/server/arrivals/mailbox/lastLook.ts
import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
function noteLook(book, problem) {
  const path = mailboxLookFile(book);
  const look2 = { at: (/* @__PURE__ */ new Date()).toISOString(), problem };
  writeFileSync(`${path}.part`, JSON.stringify(look2));
  renameSync(`${path}.part`, path);
}

// src/server/overdue/returnedMail.ts
var MOST_MAIL_BYTES = 2e7;
var MOST_WHY = 160;
async function readReturnedMail(file, bytes) {
  if (bytes.length > MOST_MAIL_BYTES)
    return fail("mail.large", { file, most: MOST_MAIL_BYTES / 1e6 });
  const { simpleParser } = await import("mailparser");
  const mail = await simpleParser(bytes, { keepDeliveryStatus: true });
  const part = (type) => mail.attachments.find(({ contentType }) => type.test(contentType))?.content.toString("utf8") ?? null;
  const status = part(/^message\/delivery-status$/i);
  if (status === null) return fail("mail.no_report", { file });
  const groups = status.replaceAll("\r\n", "\n").split(/\n\s*\n/).map(fieldsOf).filter((fields) => fields.size > 0);
  const recipients = groups.flatMap((fields) => {
    const [address, action] = [
      addressIn(fields.get("original-recipient") ?? fields.get("final-recipient")),
      (fields.get("action") ?? "").toLowerCase()
    ];
    if (address === null || !["failed", "delayed"].includes(action)) return [];
    return [{ address, forGood: action === "failed", why: whyIn(fields) }];
  });
  const original = part(/^message\/(rfc822|global)$/i) ?? part(/^text\/rfc822-headers$/i) ?? "";
  return recipients.length === 0 ? fail("mail.no_report", { file }) : ok({
    file,
    messageId: fieldsOf(original.replaceAll("\r\n", "\n").split("\n\n")[0] ?? "").get("message-id") ?? null,
    recipients
  });
}
function fieldsOf(text) {
  const fields = /* @__PURE__ */ new Map();
  for (const line of text.replace(/\n[ \t]+/g, " ").split("\n")) {
    const found = /^([!-9;-~]+)[ \t]*:(.*)$/.exec(line);
    if (found && !fields.has((found[1] ?? "").toLowerCase()))
      fields.set((found[1] ?? "").toLowerCase(), (found[2] ?? "").trim());
  }
  return fields;
}
function addressIn(field) {
  const text = (field ?? "").replace(/^[^;]*;/, "").trim().replace(/^<|>$/g, "");
  return /^[^\s@]+@[^\s@]+$/.test(text) ? text : null;
}
function whyIn(fields) {
  const said2 = (fields.get("diagnostic-code") ?? "").replace(/^[^;]*;/, "").replace(/\s+/g, " ").trim();
  const status = fields.get("status") ?? "";
  return (said2 || (status === "" ? "the mail system gave it up" : `status ${status}`)).slice(
    0,
    MOST_WHY
  );
}

// src/server/arrivals/mailbox/readMail.ts
var MOST_FILES = 20;
async function readMail(bytes) {
  const { simpleParser } = await import("mailparser");
  const mail = await simpleParser(bytes, { skipImageLinks: true, skipTextToHtml: true });
  const report = await readReturnedMail(mail.subject ?? "a report", bytes);
  return {
    from: textOnly((mail.from?.value[0]?.address ?? "").toLowerCase(), 320),
    forged: isForged(linesOf(mail, "authentication-results")),
    automatic: isAutomatic(mail),
    messageId: mail.messageId === void 0 ? null : textOnly(mail.messageId, 500),
    subject: textOnly((mail.subject ?? "").replace(/\s+/g, " ").trim(), 200),
    answers: answeredBy(mail),
    words: textOnly(ownWords(mail.text ?? ""), 1500),
    files: report.ok ? [] : mail.attachments.filter(isFile).slice(0, MOST_FILES).map(asFile),
    report: report.ok ? cleaned(report.value) : null
  };
}
var cleaned = ({ file, messageId, recipients }) => ({
  file: textOnly(file, 300),
  messageId: messageId === null ? null : textOnly(messageId, 500),
  recipients: recipients.slice(0, 200).map(({ address, forGood, why }) => ({
    address: textOnly(address, 320),
    forGood,
    why: textOnly(why, 200) || "the mail system gave it up"
  }))
});
function linesOf(mail, name) {
  return mail.headerLines.filter(({ key }) => key === name).map(({ line }) => line.replace(/\s+/g, " "));
}
var isAutomatic = (mail) => linesOf(mail, "auto-submitted").some((line) => !/:\s*no\b/i.test(line)) || linesOf(mail, "precedence").some((line) => /:\s*(bulk|auto_reply|junk|list)\b/i.test(line)) || linesOf(mail, "x-autoreply").length > 0;
function answeredBy({ inReplyTo, references }) {
  const before = typeof references === "string" ? [references] : references ?? [];
  const all = [inReplyTo ?? "", ...[...before].reverse()].flatMap((text) => text.split(/\s+/));
  return [...new Set(all.filter((id) => /^<[^<>\s]{1,400}>$/.test(id)))].slice(0, 50);
}
var isFile = ({ related, contentType, filename }) => !related && filename !== void 0 && !/pgp|pkcs7|calendar|vcard/i.test(contentType);
var asFile = ({ filename = "", content }) => ({
  name: nameOf(filename),
  bytes: content
});
var nameOf = (filename) => textOnly(filename.replace(/[\\/\n\t]/g, "-").slice(-MOST_NAME), MOST_NAME).replace(/^\.+/, "") || "attachment";
var MOST_NAME = 80;

// src/cli/mailbox.ts
var LOOK_EVERY_MS = 6e4;
async function mailbox({ values }) {
  const { book } = values;
  if (typeof book !== "string") return wrongCall("Say --book.");
  if (values.once === true) {
    const done = await look(book, values);
    return done.ok ? { code: EXIT.done, text: said(done.value) } : failed(done.error);
  }
  let isOver = false;
  const over = new Promise((resolve) => {
    const end = () => {
      isOver = true;
      resolve();
    };
    for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, end);
    process.once("disconnect", end);
  });
  while (!isOver) {
    const done = await look(book, values);
    if (!done.ok) process.stderr.write(`${inWords(done.error)}
`);
    else if (done.value.length > 0) process.stdout.write(`${said(done.value)}
`);
    await Promise.race([
      over,
      new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS).unref())
    ]);
  }
  return { code: EXIT.done, text: "" };
}
var said = (lines) => lines.length === 0 ? "no new mail" : lines.join("\n");
async function look(book, values) {
  const box = mailboxOf(book);
  if (!box.ok) return box;
  const lines = [];
  const fetched = await fetchMails({
    server: { ...box.value, secret: secretOf(book, "mailbox") },
    lastRead: (name) => withBook(book, (db) => ok(lastMailRead(db, name))),
    take: async (mail) => {
      const done = await taken({ book, values, rule: box.value.from }, mail);
      if (!done.ok) return done.error;
      lines.push(done.value);
      return null;
    }
  });
  noteLook(book, fetched.ok ? null : inWords(fetched.error));
  return fetched.ok ? ok(lines) : fetched;
}
var mailboxOf = (book) => withBook(book, (db) => {
  const { mailbox: mailbox2 } = readSettings(db);
  return mailbox2 === null ? fail("mailbox.none") : ok(mailbox2);
});
function withBook(book, work) {
  const opened = openBookToWrite(book);
  if (!opened.ok) return opened;
  try {
    return work(opened.value);
  } finally {
    opened.value.close();
  }
}
async function taken(taking, { box: mailbox2, uid, bytes }) {
  const read = bytes === null ? null : await readMail(bytes).catch(() => null);
  const mail = read ?? UNREAD;
  const left = read ? leftWhy(mail, taking.rule) : unread(bytes);
  const files = [];
  if (left === null) for (const file of mail.files) files.push(await takenFile(taking, file));
  const kept = keep(taking.book, { ...mail, mailbox: mailbox2, uid, files, left });
  const done = kept.ok || /^(book|disk)\./.test(kept.error.code) ? kept : keep(taking.book, { ...UNREAD, mailbox: mailbox2, uid, files: [], left: inWords(kept.error) });
  if (!done.ok) return done;
  return ok(`${mail.from || "somebody"}, \u201C${mail.subject}\u201D: ${done.value?.words ?? "known"}`);
}
var keep = (book, mail) => withBook(
  book,
  (db) => runCommand(db, takeMail, mail, { book, actor: "mailbox", key: randomUUID() })
);
var unread = (bytes) => bytes === null ? "too large to be read" : "it is no mail that can be read";
var UNREAD = {
  from: "",
  forged: false,
  automatic: false,
  messageId: null,
  subject: "",
  answers: [],
  words: "",
  files: [],
  report: null
};
function leftWhy({ files, from, forged }, rule) {
  const [first] = files;
  if (!first) return null;
  const names = files.length === 1 ? first.name : `${first.name} and ${files.length - 1} more`;
  if (!maySend(rule, from))
    return `${names} is not taken up: ${from || "nobody"} may not send files`;
  return forged ? `${names} is not taken up: its sender could not be proven` : null;
}
async function takenFile({ book, values }, file) {
  const folder = mkdtempSync(join(tmpdir(), "dozo-mail-"));
  try {
    const path = join(folder, file.name);
    writeFileSync2(path, file.bytes, { mode: 384 });
    const { outcome, text } = await takeUp({ path, book, values });
    const asked = text.find((line) => line.startsWith("  asks: "))?.slice("  asks: ".length);
    const told = asked ?? (text[0] ?? "").replace(`${path}: `, "");
    const why = outcome === "taken" ? "" : `: ${told}`;
    return textOnly(`${file.name} ${WORDS[outcome]}${why}`, 400);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
var WORDS = {
  taken: "is taken in",
  waits: "waits under Files",
  refused: "cannot be read"
};
export {
  mailbox
};
