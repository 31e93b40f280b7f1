import { defineConfig } from "@playwright/test";

import { CHROMIUM_ARGS, chromiumPath } from "./scripts/chromiumPath.mjs";

const port = Number(process.env.FLOW_PORT ?? 4173);

/** The flows drive the production build in Debian's Chromium, on data of their own. */
export default defineConfig({
  testDir: "tests/flows",
  outputDir: "test-results/flows",
  fullyParallel: false,
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [["list"]],
  globalSetup: "./tests/flows/setUp.ts",
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: chromiumPath(),
      args: CHROMIUM_ARGS,
    },
  },
  webServer: {
    // The data of a run before goes first: the server would keep its files open while the demo is made anew.
    command: `rm -rf test-results/data && node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `http://127.0.0.1:${port}/`,
    reuseExistingServer: false,
    env: {
      PUBLIC_PORT: String(port + 1),
      PRACTICE_PORT: String(port + 2),
      DOZO_DATA: "test-results/data",
      DOZO_ROOT: process.cwd(),
      NEXT_TELEMETRY_DISABLED: "1",
    },
  },
});
