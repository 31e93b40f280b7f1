// Where Debian's Chromium is: the headless one, which does without windows and is the quicker, or the whole one.
import { existsSync } from "node:fs";

const PLACES = ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"];

/** CHROMIUM_PATH names another. Where there is none yet, the place where it will be. */
export const chromiumPath = () =>
  process.env.CHROMIUM_PATH ?? PLACES.find((path) => existsSync(path)) ?? PLACES[0];

/** Nothing is fetched, and nothing is drawn by a graphics card. */
export const CHROMIUM_ARGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];
