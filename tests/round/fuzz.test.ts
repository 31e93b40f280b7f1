import fc from "fast-check";

import { hostile } from "../support/hostile";
import { READERS } from "../support/readers";

/**
 * Whatever a stranger sends is read within a time that nobody notices, or refused: for twenty
 * seconds here, for ten minutes by `npm run bench -- fuzz`. The time of one input is what is
 * asserted: it is far over what any takes, and far under what a pattern that goes back takes.
 */
const SECONDS = 20;
const MOST_MS = 1500;

it(`no reader takes longer than ${MOST_MS} ms, or ends the program`, async () => {
  const names = Object.keys(READERS);
  const slow: string[] = [];
  const until = Date.now() + SECONDS * 1000;
  let inputs = 0;
  for (let seed = 1; Date.now() < until; seed += 1)
    for (const text of fc.sample(hostile, { numRuns: 10, seed }))
      for (const name of names) {
        const from = performance.now();
        await READERS[name]?.(text);
        const took = performance.now() - from;
        inputs += 1;
        if (took > MOST_MS)
          slow.push(
            `${name} (seed ${seed}): ${Math.round(took)} ms for ${JSON.stringify(text.slice(0, 80))}`,
          );
      }
  expect(slow).toEqual([]);
  expect(inputs).toBeGreaterThan(100);
}, 120_000);
