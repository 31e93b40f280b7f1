import { PracticeWorld } from "@/practice";
import { PRACTICE_PASSWORD, PRACTICE_USER, servePracticeMailbox } from "@/practice/mailbox";
import { openBookToRead } from "@/server/runtime/books";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

const USUAL_SEED = 20_260_101;
const MOST_DAYS = 3660;

/** Where the practice mailbox is, if nobody says. */
const USUAL_PORT = 1143;

/** `dozo practice new|run|mailbox`: a practice book with its customers, processor and bank, its clock, its mails. */
export async function practice({ values, files }: Args): Promise<Outcome> {
  const [what] = files;
  const { book } = values;
  if (typeof book !== "string" || files.length !== 1)
    return wrongCall("Say new, run or mailbox, and --book.");
  if (what === "new") return begin(book, values.seed);
  if (what === "run") return goOn(book, values.days);
  if (what === "mailbox") return mailbox(book, values.port);
  return wrongCall(`There is no “practice ${what ?? ""}”: say new, run or mailbox.`);
}

/** The business's mailbox on this machine, until it is told to end. */
async function mailbox(book: string, said: Args["values"][string]): Promise<Outcome> {
  const opened = openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  opened.value.close();
  const port = Number(said ?? USUAL_PORT);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    return wrongCall("--port is a number from 1 to 65535.");
  const served = await servePracticeMailbox(book, port);
  if (!served.ok) return failed(served.error);
  process.stdout.write(
    `The practice mailbox of ${book} is at 127.0.0.1, port ${served.value.port}, not secure from the start; its name is ${PRACTICE_USER}, its password ${PRACTICE_PASSWORD}.\n`,
  );
  await new Promise<void>((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => resolve());
  });
  await served.value.end();
  return { code: EXIT.done, text: "" };
}

async function begin(book: string, said: Args["values"][string]): Promise<Outcome> {
  const seed = Number(said ?? USUAL_SEED);
  if (!Number.isSafeInteger(seed) || seed < 0) return wrongCall("--seed is a whole number.");
  const made = await PracticeWorld.make(book, seed);
  if (!made.ok) return failed(made.error);
  const { today } = made.value;
  made.value.close();
  return {
    code: EXIT.done,
    messages: [
      `${book} is a practice book, on ${today}. Its clock: dozo practice run --book ${book} --days 30`,
    ],
    data: { book, seed, day: today },
  };
}

/** One JSON line a day, as it happens; 1 where a proof broke, or the processor's books and ours differ. */
async function goOn(book: string, said: Args["values"][string]): Promise<Outcome> {
  const days = Number(said ?? 1);
  if (!Number.isInteger(days) || days < 1 || days > MOST_DAYS)
    return wrongCall(`--days is a number from 1 to ${MOST_DAYS}.`);
  const opened = PracticeWorld.open(book);
  if (!opened.ok) return failed(opened.error);
  const world = opened.value;
  try {
    let broken = 0;
    for (let day = 0; day < days; day += 1) {
      const told = await world.next();
      broken += told.events.broken_proofs ?? 0;
      process.stdout.write(`${JSON.stringify(told)}\n`);
    }
    const differing = world.held().filter(({ theirs, ours }) => theirs !== ours);
    return {
      code: broken > 0 || differing.length > 0 ? EXIT.wrong : EXIT.done,
      messages: differing.map(
        ({ account, theirs, ours }) =>
          `${account}: the processor holds ${theirs}, the books say ${ours} (in minor units): look at its payouts`,
      ),
      // The days are told already.
      bytes: Buffer.alloc(0),
    };
  } finally {
    world.close();
  }
}
