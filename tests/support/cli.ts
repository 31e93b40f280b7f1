import { spawn, spawnSync } from "node:child_process";
import { chmodSync, mkdtempSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { Db } from "@/db/connection";
import { openToWrite } from "@/db/opening";
import { createBook } from "@/server/runtime/books";
import { bookFile } from "@/server/runtime/folders";

/** The built command line on a data folder of its own. */
export class Cli {
  readonly data = mkdtempSync(join(tmpdir(), "dozo-cli-"));

  private env(): NodeJS.ProcessEnv {
    return { ...process.env, DOZO_DATA: this.data, DOZO_ROOT: process.cwd() };
  }

  run(...args: string[]): { code: number | null; out: string; err: string } {
    const done = spawnSync(process.execPath, ["dist/cli.mjs", ...args], {
      encoding: "utf8",
      env: this.env(),
      maxBuffer: 64_000_000,
    });
    return { code: done.status, out: done.stdout, err: done.stderr };
  }

  /** Starts it, and kills it without warning after a while; tells whether it had ended by itself. */
  async kill(afterMs: number, ...args: string[]): Promise<boolean> {
    const child = spawn(process.execPath, ["dist/cli.mjs", ...args], {
      stdio: "ignore",
      env: this.env(),
    });
    const timer = setTimeout(() => child.kill("SIGKILL"), afterMs);
    const code = await new Promise<number | null>((resolve) => child.on("exit", resolve));
    clearTimeout(timer);
    return code !== null;
  }

  /** A new, empty practice book, open to write. */
  practiceBook(book: string): Db {
    process.env.DOZO_DATA = this.data;
    const made = createBook(book, {
      name: "Shop",
      currency: "USD",
      timeZone: "America/Chicago",
      cutOverOn: "2026-10-31",
      replyTo: "a@b.example",
      clock: "2026-11-24",
    });
    if (!made.ok) throw new Error(made.error.code);
    return made.value;
  }

  /** The same with a customer and an invoice, closed. */
  make(book: string): void {
    this.practiceBook(book).close();
    this.run(
      "import",
      "--book",
      book,
      this.file("customers.csv", "customer_id,name\nC1,Alder Lane Pottery\n"),
      this.file(
        "invoices.csv",
        "invoice_number,customer_id,issued_on,due_on,total\n1,C1,2026-11-02,2026-12-02,100.00\n",
      ),
    );
  }

  /** Does something to a book's file that no command does. */
  sql(book: string, sql: string): void {
    const opened = openToWrite(bookFile(book));
    if (!opened.ok) throw new Error(opened.error.code);
    opened.value.exec(sql);
    opened.value.close();
  }

  /** Runs it where no file may grow past so many kilobytes, as on a disk that is full. */
  withLimit(kilobytes: number, ...args: string[]): ReturnType<Cli["run"]> {
    const command = `trap '' XFSZ; ulimit -f ${kilobytes}; exec "$0" dist/cli.mjs "$@"`;
    const done = spawnSync("bash", ["-c", command, process.execPath, ...args], {
      encoding: "utf8",
      env: this.env(),
    });
    return { code: done.status, out: done.stdout, err: done.stderr };
  }

  wait(ms: number): void {
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);
  }

  /**
   * Runs it as somebody who may read the first folder and write into the second, where the machine
   * lets us be somebody else; else as we are.
   */
  asNobody([readOnly, open]: [string, string], ...args: string[]): ReturnType<Cli["run"]> {
    const nobody = process.getuid?.() === 0 ? { uid: 65_534, gid: 65_534 } : {};
    const mode = (path: string, bits: number): void => {
      chmodSync(path, bits);
    };
    for (const path of [this.data, join(this.data, "books"), readOnly]) mode(path, 0o555);
    for (const name of readdirSync(readOnly, { recursive: true, encoding: "utf8" }))
      mode(join(readOnly, name), statSync(join(readOnly, name)).isDirectory() ? 0o555 : 0o444);
    mode(open, 0o777);
    const done = spawnSync(process.execPath, ["dist/cli.mjs", ...args], {
      encoding: "utf8",
      env: this.env(),
      ...nobody,
    });
    for (const path of [this.data, join(this.data, "books"), readOnly]) mode(path, 0o755);
    return { code: done.status, out: done.stdout, err: done.stderr };
  }

  file(name: string, text: string | Uint8Array): string {
    const path = join(this.data, name);
    writeFileSync(path, text);
    return path;
  }
}
