// The writer thread of a server by itself: carries out one command of a book, and stays until all
// its letters are out. For tests that kill it.
import { Worker } from "node:worker_threads";

const [book, command, input] = process.argv.slice(2);
const worker = new Worker(new URL("../../dist/writer.mjs", import.meta.url), {
  workerData: { book },
});
worker.on("message", (said) => {
  if (!("result" in said)) return;
  process.stdout.write(`${JSON.stringify(said.result)}\n`);
});
worker.postMessage({
  id: 1,
  command,
  input: JSON.parse(input),
  actor: "tester",
  key: `writer ${command} ${input.length}`,
  rehearse: false,
});
