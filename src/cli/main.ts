import { parseArgs, type ParseArgsConfig } from "node:util";

import { ownerOnly } from "@/server/runtime/ownerOnly";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

const USAGE = `dozo: receivables work from the command line

  dozo demo [--make-only]
  dozo import --book B [--kind customers|invoices|processor|bank|remittance|returns|auto] [--account A] [--mapping NAME] [--mark .|,] [--answer KEY=VALUE]… [--dry-run] FILE…
  dozo watch --book B [--account A] DIR
  dozo mailbox --book B [--once]
  dozo invoice --book B [--approve] FILE…
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

type Options = NonNullable<ParseArgsConfig["options"]>;
const text = { type: "string" } as const;
const flag = { type: "boolean" } as const;
/** A flag that may be given several times. */
const texts = { type: "string", multiple: true } as const;
type Run = (args: Args) => Promise<Outcome> | Outcome;
/** Each command is loaded when it is called: what the others need would take longer to load than some of them run. */
const SUBCOMMANDS: Record<string, { options: Options; load: () => Promise<Run> }> = {
  demo: { options: { "make-only": flag }, load: async () => (await import("./demo")).demo },
  import: {
    options: {
      book: text,
      kind: text,
      account: text,
      mapping: text,
      mark: text,
      answer: texts,
      "dry-run": flag,
    },
    load: async () => (await import("./import")).importFiles,
  },
  watch: {
    options: { book: text, account: text },
    load: async () => (await import("./watch")).watch,
  },
  mailbox: {
    options: { book: text, once: flag },
    load: async () => (await import("./mailbox")).mailbox,
  },
  invoice: {
    options: { book: text, approve: flag },
    load: async () => (await import("./invoice")).invoice,
  },
  match: {
    options: {
      customers: text,
      invoices: text,
      payments: text,
      history: text,
      out: text,
      book: text,
      "post-sure": flag,
    },
    load: async () => (await import("./match")).match,
  },
  export: {
    options: {
      book: text,
      "as-of": text,
      from: text,
      to: text,
      format: text,
      out: text,
      number: text,
    },
    load: async () => (await import("./export")).exportReport,
  },
  practice: {
    options: { book: text, seed: text, days: text, port: text },
    load: async () => (await import("./practice")).practice,
  },
  check: { options: { book: text }, load: async () => (await import("./check")).check },
  backup: {
    options: { book: text, out: text, over: flag },
    load: async () => (await import("./backup")).backup,
  },
  verify: {
    options: { head: text },
    load: async () => (await import("./verify")).verify,
  },
  backups: {
    options: { book: text, keep: text, folder: text },
    load: async () => (await import("./backup")).backups,
  },
  restore: {
    options: { book: text, replaces: flag },
    load: async () => (await import("./backup")).restore,
  },
};

async function main(argv: string[]): Promise<number> {
  ownerOnly();
  const [name = "", ...rest] = argv;
  if (argv.includes("--help") || name === "help") {
    process.stdout.write(USAGE);
    return EXIT.done;
  }
  const subcommand = Object.hasOwn(SUBCOMMANDS, name) ? SUBCOMMANDS[name] : undefined;
  const outcome = subcommand
    ? await run(subcommand, rest)
    : wrongCall(name === "" ? "Say what to do." : `There is no command “${name}”.`);
  print(outcome, argv.includes("--json"));
  return outcome.code;
}

/** Messages go to standard error; bytes, data or text to standard output. */
function print(outcome: Outcome, json: boolean): void {
  for (const message of outcome.messages ?? []) process.stderr.write(`${message}\n`);
  if (outcome.bytes) process.stdout.write(outcome.bytes);
  else if (json) process.stdout.write(`${JSON.stringify(outcome.data ?? null)}\n`);
  else if (outcome.text)
    process.stdout.write(outcome.text.endsWith("\n") ? outcome.text : `${outcome.text}\n`);
}

async function run(
  subcommand: NonNullable<(typeof SUBCOMMANDS)[string]>,
  rest: string[],
): Promise<Outcome> {
  let args: Args;
  try {
    const parsed = parseArgs({
      args: rest,
      options: { ...subcommand.options, json: flag, help: flag },
      allowPositionals: true,
      strict: true,
    });
    const { answer = [], ...values } = parsed.values as { answer?: string[] } & Args["values"];
    args = {
      values: values as Args["values"],
      answers: answer as string[],
      files: parsed.positionals,
    };
  } catch (error) {
    return wrongCall(
      error instanceof Error ? (error.message.split("\n")[0] ?? "") : "The call cannot be read.",
    );
  }
  try {
    return await (
      await subcommand.load()
    )(args);
  } catch (error) {
    const failure = (await import("@/db/fileFailure")).failureOfFile(error);
    if (failure) return failed({ ...failure, book: String(args.values.book ?? "") });
    return {
      code: EXIT.bug,
      messages: [`A bug: ${error instanceof Error ? (error.stack ?? error.message) : "unknown"}`],
      data: { error: "bug" },
    };
  }
}

// Output to a pipe is asynchronous: the code is set, and the process ends when all is written.
void main(process.argv.slice(2)).then((code) => {
  process.exitCode = code;
});
