import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";

import { chromium } from "@playwright/test";
import { build, type BuildOptions } from "esbuild";

import { chromiumPath } from "../../../scripts/chromiumPath.mjs";
import type { Measure } from "../measure";

const TRIALS = 9;

const middle = (took: readonly number[]): number =>
  [...took].sort((a, b) => a - b)[Math.floor(took.length / 2)] ?? Number.NaN;

/** How long lists take to render: 100 rows on the server, 10,000 in the browser, each the middle of several. */
export async function lists(): Promise<Measure[]> {
  const root = process.cwd();
  const folder = join(root, "test-results/bench-lists");
  mkdirSync(folder, { recursive: true });
  const options: BuildOptions = {
    absWorkingDir: root,
    outdir: folder,
    bundle: true,
    minify: true,
    jsx: "automatic",
    define: { "process.env.NODE_ENV": '"production"', "process.env.__NEXT_I18N_SUPPORT": "false" },
    loader: { ".woff2": "empty", ".woff": "empty" },
    logLevel: "error",
  };
  await build({
    ...options,
    entryPoints: ["tests/bench/lists/onServer.tsx"],
    platform: "node",
    format: "cjs",
    outExtension: { ".js": ".cjs" },
  });
  await build({
    ...options,
    entryPoints: ["tests/bench/lists/inBrowser.tsx"],
    platform: "browser",
    format: "iife",
    banner: { js: "globalThis.process ??= { env: {} };" },
  });
  const { default: server } = (await import(pathToFileURL(join(folder, "onServer.cjs")).href)) as {
    default: { renderOnServer: () => number };
  };
  const onServer = server.renderOnServer();
  const { whole, seen } = await inBrowser(folder);
  return [
    {
      work: "A list of 100 rows of eight cells, rendered on the server",
      took: `${onServer.toFixed(2)} ms`,
      must: "–",
    },
    {
      work: "A list of 10,000 such rows in the browser, drawn whole",
      took: `${whole.toFixed(0)} ms`,
      must: "–",
    },
    {
      work: "The same as a long list, of which what is seen is drawn",
      took: `${seen.toFixed(1)} ms`,
      must: "–",
    },
  ];
}

/** Draws both kinds of list in Chromium, several times. */
async function inBrowser(folder: string): Promise<{ whole: number; seen: number }> {
  const page = join(folder, "page.html");
  const css = "<style>#bench { height: 700px; display: flex; flex-direction: column; }</style>";
  writeFileSync(
    page,
    `<!doctype html><html class="light">${css}<body><script src="inBrowser.js"></script>`,
  );
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ["--no-sandbox", "--disable-gpu", "--allow-file-access-from-files"],
  });
  try {
    const tab = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    tab.on("pageerror", (error) => console.error(error.message));
    await tab.goto(pathToFileURL(page).href);
    const draw = async (name: "drawWhole" | "drawSeen"): Promise<number> => {
      const took: number[] = [];
      for (let trial = 0; trial < TRIALS; trial += 1)
        took.push(
          await tab.evaluate(
            (drawing) => (window as never as Record<string, () => number>)[drawing]?.() ?? NaN,
            name,
          ),
        );
      return middle(took.slice(2));
    };
    return { whole: await draw("drawWhole"), seen: await draw("drawSeen") };
  } finally {
    await browser.close();
  }
}
