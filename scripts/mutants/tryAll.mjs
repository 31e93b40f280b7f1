// A thread that tries the changes of one folder, one after the other. All changes stand in the code at
// once, behind switches; for each the code is loaded anew with its switch on, and the tests that come
// past it run until one notices. `at` says which change is being tried.
import { parentPort, workerData } from "node:worker_threads";

import { loaded, testsOf } from "./tests.mjs";
import { withSwitches } from "./switches.mjs";

const { folder, from, at } = workerData;
const { code, changes } = await withSwitches(folder);
const state = (globalThis.__stryker__ = {});
const tests = loaded(code);

/** Runs every test once without a change; each change's own tests are those that came past it. */
async function dryRun() {
  const times = [];
  for (const [index, test] of tests.entries()) {
    state.currentTestId = String(index + 1);
    const began = performance.now();
    try {
      await test.run();
    } catch (error) {
      throw new Error(`${folder}: "${test.name}" fails without a change: ${error.message}`);
    }
    times.push(performance.now() - began);
  }
  state.currentTestId = undefined;
  return times;
}

const times = await dryRun();
const { perTest, static: atLoad } = state.mutantCoverage;
const hits = (id) =>
  Object.values(perTest).reduce((sum, past) => sum + (past[id] ?? 0), atLoad[id] ?? 0);

/** The tests of a change, the quickest first; all of them where it is passed as the code is loaded. */
const testsPast = (id) =>
  testsOf(tests.length)
    .filter((index) => atLoad[id] !== undefined || perTest[String(index + 1)]?.[id] !== undefined)
    .sort((a, b) => times[a] - times[b]);

async function isNoticed({ id }) {
  const past = testsPast(id);
  if (past.length === 0) return false;
  // What goes round a hundred times as often as before goes round for ever.
  Object.assign(state, { activeMutant: id, hitCount: 0, hitLimit: hits(id) * 100 + 1000 });
  try {
    const fresh = loaded(code);
    if (fresh.length < tests.length) return true;
    for (const index of past) await fresh[index].run();
    return false;
  } catch {
    return true;
  } finally {
    state.activeMutant = undefined;
  }
}

// A promise that a changed test leaves behind is nobody's.
process.on("unhandledRejection", () => undefined);
for (const [index, change] of changes.entries()) {
  if (index < from) continue;
  Atomics.store(at, 0, index + 1);
  parentPort.postMessage({ is: await isNoticed(change), words: change.words });
}
parentPort.postMessage({ done: true });
