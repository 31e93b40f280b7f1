import { PracticeWorld } from "@/practice";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

const USUAL_SEED = 20_260_101;
const MOST_DAYS = 3660;

/** `dozo practice new|run`: a practice book with its customers, processor and bank, and its clock. */
export async function practice({ values, files }: Args): Promise<Outcome> {
  const [what] = files;
  const { book } = values;
  if (typeof book !== "string" || files.length !== 1)
    return wrongCall("Say new or run, and --book.");
  if (what === "new") return begin(book, values.seed);
  if (what === "run") return goOn(book, values.days);
  return wrongCall(`There is no “practice ${what ?? ""}”: say new or run.`);
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
