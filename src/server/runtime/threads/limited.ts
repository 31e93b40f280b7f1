import { join } from "node:path";
import Piscina from "piscina";

import { fail, type Result } from "@/core/result";
import type { Paper, PaperAsk } from "@/server/output/askedPaper";

import type { PaperTask } from "./paperTask";
import type { ReadAnswers, ReadTask } from "./readTask";
import { proposalsFor } from "./reader";

/** What work on foreign things may take: seconds, megabytes of memory, and how many may wait. */
type Limits = { seconds: number; megabytes: number; waiting: number };
const LIMITS = {
  /** Files and mails: what they hold is somebody else's. */
  read: { seconds: 60, megabytes: 1500, waiting: 20 },
  /** Papers and reports: what is asked for may be very much. */
  paper: { seconds: 60, megabytes: 1000, waiting: 40 },
} as const satisfies Record<string, Limits>;
type Task = keyof typeof LIMITS;

const kept = globalThis as typeof globalThis & { dozoLimited?: Map<Task, Piscina> };

/** A pool of its own for each: papers that wait keep no file waiting, and neither keeps a page. */
function poolFor(task: Task): Piscina {
  const pools = (kept.dozoLimited ??= new Map());
  const known = pools.get(task);
  if (known) return known;
  const root = process.env.DOZO_ROOT ?? process.cwd();
  const made = new Piscina({
    filename: join(/* turbopackIgnore: true */ root, "dist", `${task}.mjs`),
    minThreads: 0,
    maxThreads: task === "paper" ? 2 : 1,
    idleTimeout: 60_000,
    maxQueue: LIMITS[task].waiting,
    resourceLimits: { maxOldGenerationSizeMb: LIMITS[task].megabytes },
  });
  pools.set(task, made);
  return made;
}

/**
 * Has a thread do something within its limits, and ends the thread where it goes over one. Errors:
 * limit.time, limit.memory, limit.busy, each with its limit.
 */
async function within<T>(task: Task, input: object): Promise<T | Result<never>> {
  const { seconds, megabytes } = LIMITS[task];
  const end = new AbortController();
  const timer = setTimeout(() => end.abort(), seconds * 1000);
  try {
    return (await poolFor(task).run(input, { signal: end.signal })) as T;
  } catch (error) {
    if (end.signal.aborted) return fail("limit.time", { seconds });
    const code = (error as { code?: unknown }).code;
    if (code === "ERR_WORKER_OUT_OF_MEMORY") return fail("limit.memory", { megabytes });
    if (/queue/i.test(error instanceof Error ? error.message : "")) return fail("limit.busy");
    throw error;
  } finally {
    clearTimeout(timer);
  }
}

/** Reads something foreign: a file that was kept, or a mail. */
export async function readForeign<Which extends ReadTask["what"]>(
  task: Extract<ReadTask, { what: Which }>,
): Promise<ReadAnswers[Which] | Result<never>> {
  return within<ReadAnswers[Which]>("read", task);
}

/** Makes a paper or a report of a book. */
export async function makePaper(book: string, ask: PaperAsk): Promise<Result<Paper>> {
  const proposals = ask.paper === "report" ? await proposalsFor(book) : [];
  return within<Result<Paper>>("paper", { book, ask, proposals } satisfies PaperTask);
}
