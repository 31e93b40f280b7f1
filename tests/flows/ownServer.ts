import { type ChildProcess, spawn } from "node:child_process";
import { cpSync, rmSync } from "node:fs";

import { DEMO_MADE } from "./demoMade";

/** A server of its own, on a demo book that no other flow has touched. */
export type OwnServer = { url: string; stop: () => void };

const START_TRIES = 100;

/** The port of the flows' own server, of its customers' port and its processor's: what follows is free. */
const AFTER = Number(process.env.FLOW_PORT ?? 4173);

/**
 * Serves a copy of the demo book as it was made, in a folder of its own, so many ports after the
 * flows' own: flows that are run side by side do not meet. Throws where that fails.
 */
export async function ownServer(name: string, after: number): Promise<OwnServer> {
  const port = AFTER + after;
  const folder = `test-results/data-${name}`;
  rmSync(folder, { recursive: true, force: true });
  cpSync(DEMO_MADE, folder, { recursive: true });
  const env = {
    ...process.env,
    DOZO_DATA: folder,
    DOZO_ROOT: process.cwd(),
    PORT: String(port),
    PUBLIC_PORT: String(port + 1),
    PRACTICE_PORT: String(port + 2),
  };
  const server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
    { env, stdio: "ignore" },
  );
  const url = `http://127.0.0.1:${port}`;
  await answering(url, server);
  return { url, stop: () => void server.kill() };
}

async function answering(url: string, server: ChildProcess): Promise<void> {
  for (let tries = 0; tries < START_TRIES; tries += 1) {
    if (server.exitCode !== null) throw new Error(`the server ended with ${server.exitCode}`);
    if (
      await fetch(url).then(
        (sent) => sent.ok,
        () => false,
      )
    )
      return;
    await new Promise((resolve) => {
      setTimeout(resolve, 200);
    });
  }
  server.kill();
  throw new Error("the server does not answer");
}
