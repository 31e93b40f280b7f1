// The writer thread of a server by itself: a command a line on standard input, an answer a line.
import { createInterface } from "node:readline";
import { Worker } from "node:worker_threads";

const [book] = process.argv.slice(2);
const worker = new Worker(new URL("../../dist/writer.mjs", import.meta.url), {
  workerData: { book },
});
worker.on("message", (said) => {
  if ("result" in said) process.stdout.write(`${said.id} ${JSON.stringify(said.result)}\n`);
});
createInterface({ input: process.stdin }).on("line", (line) => {
  worker.postMessage({ ...JSON.parse(line), actor: "tester", rehearse: false });
});
