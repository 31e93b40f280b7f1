import fc from "fast-check";

import { hostile } from "../support/hostile";
import { READERS } from "../support/readers";
import { stoppedAfter } from "../support/stopped";

/**
 * Whatever a stranger sends is read within a time that nobody notices, or refused: for twenty
 * seconds here, for ten minutes by `npm run bench -- fuzz`. The time of one input is what is
 * asserted: it is far over what any takes, and far under what a pattern that goes back takes.
 */
const SECONDS = 20;
const MOST_MS = 1500;

/** After how long a reader is stopped. */
const STOPPED_MS = 10_000;

/** How long a reader takes, in milliseconds. */
async function timeOf(name: string, text: string): Promise<number> {
  const from = performance.now();
  await stoppedAfter(STOPPED_MS, () => READERS[name]?.(text));
  return performance.now() - from;
}

it("a reader without an end would be stopped and named", () => {
  const from = performance.now();
  const endless = (): void => {
    while (performance.now() > 0);
  };
  expect(stoppedAfter(100, endless)).toBe("stopped");
  expect(performance.now() - from).toBeLessThan(STOPPED_MS);
});

it(`no reader takes longer than ${MOST_MS} ms, or ends the program`, async () => {
  const names = Object.keys(READERS);
  const slow: string[] = [];
  // What a reader loads when it is first asked is no time of its text.
  for (const name of names) await timeOf(name, "Re: INV-20431");
  const until = Date.now() + SECONDS * 1000;
  let inputs = 0;
  for (let seed = 1; Date.now() < until; seed += 1)
    for (const text of fc.sample(hostile, { numRuns: 10, seed }))
      for (const name of names) {
        if (slow.length > 2) break;
        const first = await timeOf(name, text);
        // A pattern that goes back is slow each time; a machine that did something else is not.
        const took = first > MOST_MS ? Math.min(first, await timeOf(name, text)) : first;
        inputs += 1;
        if (took > MOST_MS)
          slow.push(
            `${name} (seed ${seed}): ${Math.round(took)} ms for ${JSON.stringify(text.slice(0, 80))}`,
          );
      }
  expect(slow).toEqual([]);
  expect(inputs).toBeGreaterThan(100);
}, 120_000);
