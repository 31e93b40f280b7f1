import { parentPort, workerData } from "node:worker_threads";

import { type Paths, payersOf } from "@/server/match/matchFiles";

/** Finds who paid, in a thread beside the one that reads the invoices. */
parentPort?.postMessage(payersOf(workerData as Paths));
