// The code of a folder with all of Stryker's changes in it behind switches, and its tests, as one script.
import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";

import { Instrumenter } from "@stryker-mutator/instrumenter";
import { build } from "esbuild";

import { root } from "../steps.mjs";

const CORE = join(root, "src/core");
const quiet = Object.fromEntries(
  ["trace", "debug", "info", "warn", "error", "fatal"].flatMap((level) => [
    [level, () => undefined],
    [`is${level[0].toUpperCase()}${level.slice(1)}Enabled`, () => false],
  ]),
);

/** `changes`: each with its id, and where and what it is in words. */
export async function withSwitches(folder) {
  const sources = readdirSync(join(CORE, folder), { recursive: true })
    .filter((name) => name.endsWith(".ts") && !/\.(?:generated|fixture)\.ts$/.test(name))
    .map((name) => join(CORE, folder, name));
  const isTest = (path) => path.endsWith(".test.ts");
  const { files, mutants } = await new Instrumenter(quiet).instrument(
    sources
      .filter((path) => !isTest(path))
      .map((name) => ({ name, mutate: true, content: readFileSync(name, "utf8") })),
    { plugins: null, excludedMutations: [], ignorers: [] },
  );
  const switched = new Map(files.map(({ name, content }) => [name, content]));
  const code = await bundled(sources.filter(isTest), switched);
  const changes = mutants
    .filter(({ status }) => status === undefined)
    .map((mutant) => ({ id: mutant.id, words: inWords(mutant) }));
  return { code, changes };
}

/** Where, by what kind of change, and what stands there instead. */
const inWords = ({ fileName, location, mutatorName, replacement = "" }) =>
  `${relative(CORE, fileName)}:${location.start.line + 1}:${location.start.column + 1} ${mutatorName} -> ` +
  replacement.replaceAll(/\s+/gu, " ").slice(0, 160);

async function bundled(tests, switched) {
  const { outputFiles } = await build({
    stdin: {
      contents: tests.map((path) => `require(${JSON.stringify(path)});`).join("\n"),
      resolveDir: root,
      loader: "ts",
    },
    bundle: true,
    write: false,
    format: "cjs",
    platform: "node",
    target: "node20",
    logLevel: "silent",
    plugins: [
      {
        name: "switches",
        setup(made) {
          made.onResolve({ filter: /^@\// }, ({ path, kind }) =>
            made.resolve(`./${path.slice(2)}`, { resolveDir: join(root, "src"), kind }),
          );
          // Packages are loaded once, and not anew for each change.
          made.onResolve({ filter: /^[^./]/ }, ({ path }) =>
            path.startsWith("@/") ? undefined : { path, external: true },
          );
          made.onLoad({ filter: /\.ts$/ }, ({ path }) =>
            switched.has(path) ? { contents: switched.get(path), loader: "ts" } : undefined,
          );
        },
      },
    ],
  });
  return outputFiles[0].text;
}
