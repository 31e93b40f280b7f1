import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { rmSync } from "node:fs";

/** A server of its own, on a demo book that no other flow has touched. */
export type OwnServer = { url: string; stop: () => void };

const START_TRIES = 100;

/** Makes the demo book anew in a folder of its own and serves it. Throws where either fails. */
export async function ownServer(name: string, port: number): Promise<OwnServer> {
  const folder = `test-results/data-${name}`;
  rmSync(folder, { recursive: true, force: true });
  const env = { ...process.env, DOZO_DATA: folder, DOZO_ROOT: process.cwd(), PORT: String(port) };
  const made = spawnSync(process.execPath, ["dist/cli.mjs", "demo", "--make-only"], { env });
  if (made.status !== 0) throw new Error(`no demo book: ${made.stderr.toString()}`);
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
