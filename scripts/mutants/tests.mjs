// The few words of Jest that the core's own tests use, so that they can be loaded a thousand times.
import { createRequire } from "node:module";

import { expect } from "expect";
import fc from "fast-check";
import { format } from "pretty-format";

const require = createRequire(import.meta.url);
// Each property is tried for a short while only.
fc.configureGlobal({ numRuns: 25, interruptAfterTimeLimit: 300, markInterruptAsFailure: false });

const squashed = (text) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean)
    .join("\n");
expect.extend({
  toMatchInlineSnapshot(received, snapshot = "") {
    const got = squashed(format(received, { escapeString: false, printBasicPrototype: false }));
    return { pass: got === squashed(snapshot), message: () => got };
  },
});

/** The script's tests, loaded anew: each with its name and what it does. */
export function loaded(code) {
  const tests = [];
  const names = [];
  let before = [];
  const describe = (name, inner) => {
    const outer = before;
    before = [...outer];
    names.push(name);
    inner();
    names.pop();
    before = outer;
  };
  const it = (name, inner) => {
    const first = before;
    const run = () => {
      for (const prepare of first) prepare();
      return inner();
    };
    tests.push({ name: [...names, name].join(" › "), run });
  };
  const each = (one) => (rows) => (name, inner) => {
    for (const row of rows) one(name, () => (Array.isArray(row) ? inner(...row) : inner(row)));
  };
  describe.each = each(describe);
  it.each = each(it);
  const words = { require, module: { exports: {} }, describe, it, expect, test: it };
  const hooks = { beforeEach: (prepare) => before.push(prepare), afterEach: () => undefined };
  const known = { ...words, ...hooks };
  new Function(...Object.keys(known), code)(...Object.values(known));
  return tests;
}

export const testsOf = (count) => Array.from({ length: count }, (_, index) => index);
