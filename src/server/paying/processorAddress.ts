/**
 * Where pages send card and account numbers: the practice processor's own port on this machine, or
 * what PROCESSOR_ADDRESS says; empty where there is none, and nothing can be paid by these.
 */
export function processorAddress(): string {
  const { PROCESSOR_ADDRESS: said, PRACTICE_PORT: port } = process.env;
  if (said && /^https?:\/\/[\w.:-]{1,200}$/.test(said)) return said;
  return port && /^\d{2,5}$/.test(port) ? `http://127.0.0.1:${port}` : "";
}
