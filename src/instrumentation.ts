/**
 * Runs once when the server starts: who may ask, the customers' door, the practice processor's address,
 * and the clock of schedules.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { ownerOnly } = await import("@/server/runtime/ownerOnly");
  ownerOnly();
  const { watchRequests } = await import("@/server/runtime/door/rawRequests");
  watchRequests();
  const { openDoorOfServer } = await import("@/server/runtime/door/doorOfServer");
  openDoorOfServer();
  const { openPracticeAddress, processorBehind } = await import("@/practice");
  openPracticeAddress();
  const { startClock } = await import("@/server/runtime/threads/clock");
  startClock(processorBehind);
}
