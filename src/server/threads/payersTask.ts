import { parentPort, workerData } from "node:worker_threads";

import { payersOf, type Paths } from "../matchFiles";

/** Finds who paid, in a thread beside the one that reads the invoices. */
parentPort?.postMessage(payersOf(workerData as Paths));
