import { type ChildProcess, spawn } from "node:child_process";

import type { Result } from "@/core/result";

/** The writer of a server, in a process of its own: carries out commands of a book until it is killed. */
export class Writer {
  private readonly child: ChildProcess;
  private said = "";
  private count = 0;

  constructor(book: string) {
    this.child = spawn(process.execPath, ["tests/support/writerProcess.mjs", book], {
      stdio: ["pipe", "pipe", "inherit"],
      env: { ...process.env, DOZO_ROOT: process.cwd() },
    });
    this.child.stdout?.on("data", (text: Buffer) => {
      this.said += text.toString();
    });
  }

  async run(command: string, input: object): Promise<Result<unknown>> {
    const id = (this.count += 1);
    const key = `${process.pid}-${this.child.pid}-${id}`;
    this.child.stdin?.write(`${JSON.stringify({ id, command, input, key })}\n`);
    for (const from = Date.now(); Date.now() - from < 30_000; await pause(10)) {
      if (this.child.exitCode !== null || this.child.signalCode !== null) break;
      const line = this.said.split("\n").find((answer) => answer.startsWith(`${id} `));
      if (line) return JSON.parse(line.slice(line.indexOf(" "))) as Result<unknown>;
    }
    throw new Error(`${command} was not answered`);
  }

  async kill(): Promise<void> {
    const gone = new Promise((resolve) => this.child.once("exit", resolve));
    this.child.kill("SIGKILL");
    await gone;
  }
}

const pause = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });
