import { existsSync } from "node:fs";

/** The path itself, or with a number behind it: a name that no file has yet. */
export function freeName(path: string): string {
  for (let count = 1; ; count += 1) {
    const name = count === 1 ? path : `${path}-${count}`;
    if (!existsSync(name)) return name;
  }
}
