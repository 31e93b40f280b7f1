/** Runs once when the server starts: the clock that sends what goes by schedule. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { ownerOnly } = await import("@/server/runtime/ownerOnly");
  ownerOnly();
  const { startClock } = await import("@/server/runtime/threads/clock");
  startClock();
}
