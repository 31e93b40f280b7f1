import { spawn, spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

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

  file(name: string, text: string | Uint8Array): string {
    const path = join(this.data, name);
    writeFileSync(path, text);
    return path;
  }
}
