import {
  EXIT,
  failed,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";

// src/cli/main.ts
import { parseArgs } from "node:util";

// src/server/runtime/ownerOnly.ts
var OWNER_ONLY = 63;
function ownerOnly() {
  process.umask(OWNER_ONLY);
}

// src/cli/main.ts
var USAGE = `dozo: receivables work from the command line

  dozo demo [--make-only]
  dozo import --book B [--kind customers|invoices|processor|bank|remittance|returns|auto] [--account A] [--mapping NAME] [--mark .|,] [--answer KEY=VALUE]\u2026 [--dry-run] FILE\u2026
  dozo watch --book B [--account A] DIR
  dozo mailbox --book B [--once]
  dozo invoice --book B [--approve] FILE\u2026
  dozo match --customers F --invoices F --payments F [--history F] --out F
  dozo match --book B [--post-sure]
  dozo export journal|open-items|clearing|payouts|aging|trial-balance --book B [--as-of DATE | --from DATE --to DATE] [--format csv|json|xlsx] [--out F]
  dozo export audit --book B --out F
  dozo export ubl|pdf --book B --number N --out F
  dozo practice new --book B [--seed S]
  dozo practice run --book B --days N
  dozo practice mailbox --book B [--port N]
  dozo check --book B
  dozo verify [--head HASH] F
  dozo backup --book B --out F [--over]
  dozo backups [--book B] [--keep N] [--folder DIR]
  dozo restore [--book B] [--replaces] F

Everywhere: --json for JSON on standard output, --help. DOZO_DATA names the data folder, DOZO_BACKUPS the folder of backups, PORT the port of the server.
Exit codes: 0 done; 1 done and something is wrong; 2 wrong call; 3 input that cannot be read; 4 the book is locked, missing or newer; 70 a bug.
`;
var text = { type: "string" };
var flag = { type: "boolean" };
var texts = { type: "string", multiple: true };
var SUBCOMMANDS = {
  demo: { options: { "make-only": flag }, load: async () => (await import("./demo-WMAV4Q62.mjs")).demo },
  import: {
    options: {
      book: text,
      kind: text,
      account: text,
      mapping: text,
      mark: text,
      answer: texts,
      "dry-run": flag
    },
    load: async () => (await import("./import-UY2HZIGB.mjs")).importFiles
  },
  watch: {
    options: { book: text, account: text },
    load: async () => (await import("./watch-W6F3X5OR.mjs")).watch
  },
  mailbox: {
    options: { book: text, once: flag },
    load: async () => (await import("./mailbox-DCKFS7LD.mjs")).mailbox
  },
  invoice: {
    options: { book: text, approve: flag },
    load: async () => (await import("./invoice-BQVZJPGM.mjs")).invoice
  },
  match: {
    options: {
      customers: text,
      invoices: text,
      payments: text,
      history: text,
      out: text,
      book: text,
      "post-sure": flag
    },
    load: async () => (await import("./match-Y3I4DEWQ.mjs")).match
  },
  export: {
    options: {
      book: text,
      "as-of": text,
      from: text,
      to: text,
      format: text,
      out: text,
      number: text
    },
    load: async () => (await import("./export-KETUXIJD.mjs")).exportReport
  },
  practice: {
    options: { book: text, seed: text, days: text, port: text },
    load: async () => (await import("./practice-JDZFH5RP.mjs")).practice
  },
  check: { options: { book: text }, load: async () => (await import("./check-DTLKBD4P.mjs")).check },
  backup: {
    options: { book: text, out: text, over: flag },
    load: async () => (await import("./backup-YSIT4WHS.mjs")).backup
  },
  verify: {
    options: { head: text },
    load: async () => (await import("./verify-CV5SXHX2.mjs")).verify
  },
  backups: {
    options: { book: text, keep: text, folder: text },
    load: async () => (await import("./backup-YSIT4WHS.mjs")).backups
  },
  restore: {
    options: { book: text, replaces: flag },
    load: async () => (await import("./backup-YSIT4WHS.mjs")).restore
  }
};
async function main(argv) {
  ownerOnly();
  const [name = "", ...rest] = argv;
  if (argv.includes("--help") || name === "help") {
    process.stdout.write(USAGE);
    return EXIT.done;
  }
  const subcommand = Object.hasOwn(SUBCOMMANDS, name) ? SUBCOMMANDS[name] : void 0;
  const outcome = subcommand ? await run(subcommand, rest) : wrongCall(name === "" ? "Say what to do." : `There is no command \u201C${name}\u201D.`);
  print(outcome, argv.includes("--json"));
  return outcome.code;
}
function print(outcome, json) {
  for (const message of outcome.messages ?? []) process.stderr.write(`${message}
`);
  if (outcome.bytes) process.stdout.write(outcome.bytes);
  else if (json) process.stdout.write(`${JSON.stringify(outcome.data ?? null)}
`);
  else if (outcome.text)
    process.stdout.write(outcome.text.endsWith("\n") ? outcome.text : `${outcome.text}
`);
}
async function run(subcommand, rest) {
  let args;
  try {
    const parsed = parseArgs({
      args: rest,
      options: { ...subcommand.options, json: flag, help: flag },
      allowPositionals: true,
      strict: true
    });
    const { answer = [], ...values } = parsed.values;
    args = {
      values,
      answers: answer,
      files: parsed.positionals
    };
  } catch (error) {
    return wrongCall(
      error instanceof Error ? error.message.split("\n")[0] ?? "" : "The call cannot be read."
    );
  }
  try {
    return await (await subcommand.load())(args);
  } catch (error) {
    const failure = (await import("./fileFailure-YRQW4FRR.mjs")).failureOfFile(error);
    if (failure) return failed({ ...failure, book: String(args.values.book ?? "") });
    return {
      code: EXIT.bug,
      messages: [`A bug: ${error instanceof Error ? error.stack ?? error.message : "unknown"}`],
      data: { error: "bug" }
    };
  }
}
void main(process.argv.slice(2)).then((code) => {
  process.exitCode = code;
});
