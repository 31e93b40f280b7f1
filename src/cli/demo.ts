import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";

import { DEMO_BOOK, makeDemoBook } from "@/demo";
import { bookExists } from "@/server/runtime/folders";

import { type Args, EXIT, failed, type Outcome } from "./outcome";

/** `dozo demo`: makes the demo book if it is not there, and starts the server unless told not to. */
export async function demo({ values }: Args): Promise<Outcome> {
  if (!bookExists(DEMO_BOOK)) {
    process.stderr.write("Making the demo book …\n");
    const made = await makeDemoBook();
    if (!made.ok) return failed(made.error);
  }
  if (values["make-only"] === true)
    return {
      code: EXIT.done,
      messages: [`The demo book is ${DEMO_BOOK}.`],
      data: { book: DEMO_BOOK },
    };
  return serve();
}

/** Runs the built server on 127.0.0.1 until it is stopped. */
function serve(): Promise<Outcome> {
  const root = process.env.DOZO_ROOT ?? process.cwd();
  if (!existsSync(join(root, ".next/BUILD_ID")))
    return Promise.resolve({
      code: EXIT.input,
      messages: ["The pages are not built. Run npm run build first."],
    });
  const port = process.env.PORT ?? "3000";
  const child = spawn(
    process.execPath,
    [join(root, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", port],
    {
      cwd: root,
      stdio: ["ignore", "ignore", "inherit"],
      env: {
        ...process.env,
        DOZO_ROOT: root,
        PORT: port,
        PUBLIC_PORT: process.env.PUBLIC_PORT ?? String(Number(port) + 1),
        PRACTICE_PORT: process.env.PRACTICE_PORT ?? String(Number(port) + 2),
      },
    },
  );
  process.stderr.write(`Dozo is at http://127.0.0.1:${port}/b/${DEMO_BOOK}/match\n`);
  for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => child.kill(signal));
  return new Promise((resolve) =>
    child.on("exit", (code) =>
      resolve({ code: code === 0 || code === null ? EXIT.done : EXIT.bug }),
    ),
  );
}
