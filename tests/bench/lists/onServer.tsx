import { renderToString } from "react-dom/server";

import { sampleRows, WholeList } from "./sampleList";

const ROWS = sampleRows(100);
const TRIALS = 60;

/** Milliseconds to render a list of 100 rows on the server: the middle of many, once it is warm. */
export function renderOnServer(): number {
  const took: number[] = [];
  for (let trial = 0; trial < TRIALS; trial += 1) {
    const from = performance.now();
    renderToString(<WholeList rows={ROWS} />);
    took.push(performance.now() - from);
  }
  return took.slice(TRIALS / 3).sort((a, b) => a - b)[Math.floor(TRIALS / 3)] ?? Number.NaN;
}
