import { existsSync } from "node:fs";
import { join } from "node:path";

/** What the pages are made with, as the build packed it for the telephone. */
export type Packed = { path: string; type: string };

const TYPES: Readonly<Record<string, string>> = {
  js: "text/javascript; charset=utf-8",
  css: "text/css; charset=utf-8",
};

/**
 * The file that a path of the pages' own scripts and looks was packed into (Brotli, RFC 7932), for a
 * browser that takes it; null where there is none. The path has been looked at by `linkOfPath`.
 */
export function packedOf(target: string, accepts: string): Packed | null {
  const [path = ""] = target.split("?");
  const [, name, ending] = /^\/_next\/static\/([\w./~-]+\.(js|css))$/.exec(path) ?? [];
  const type = TYPES[ending ?? ""];
  if (name === undefined || type === undefined || !/\bbr\b/.test(accepts)) return null;
  const root = process.env.DOZO_ROOT ?? process.cwd();
  const packed = join(/* turbopackIgnore: true */ root, ".next/static", `${name}.br`);
  return existsSync(packed) ? { path: packed, type } : null;
}
