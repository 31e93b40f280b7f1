import type { Server } from "node:http";

import { openPublicDoor } from "./publicDoor";

const kept = globalThis as typeof globalThis & { dozoDoor?: Server };

/**
 * Opens the customers' door where PUBLIC_PORT names a port for it, on PUBLIC_HOST (127.0.0.1 unless
 * told otherwise: something that speaks TLS stands in front). Doing so twice is doing so once.
 */
export function openDoorOfServer(): void {
  const port = Number(process.env.PUBLIC_PORT ?? "");
  if (kept.dozoDoor || !Number.isInteger(port) || port < 1 || port > 65_535) return;
  const host = process.env.PUBLIC_HOST ?? "127.0.0.1";
  kept.dozoDoor = openPublicDoor({ port, host, inner: Number(process.env.PORT ?? "3000") });
  kept.dozoDoor.on("error", (error) => {
    console.error(`dozo: the customers' door on port ${port} cannot be opened: ${error.message}`);
  });
}
