import { expose } from "comlink";

import { filterItems } from "@/core/matching";

/** Sums of open items are tried out here, so that typing never waits for them. */
expose({ filterItems });
