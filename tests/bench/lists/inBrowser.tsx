import { flushSync } from "react-dom";
import { createRoot } from "react-dom/client";
import type { ReactNode } from "react";

import { sampleRows, SeenList, WholeList } from "./sampleList";

const ROWS = sampleRows(10_000);

/** Milliseconds from nothing to a page that is laid out. */
function drawn(list: ReactNode): number {
  const place = document.createElement("main");
  place.id = "bench";
  document.body.replaceChildren(place);
  const root = createRoot(place);
  const from = performance.now();
  flushSync(() => root.render(list));
  void place.offsetHeight;
  const took = performance.now() - from;
  root.unmount();
  return took;
}

Object.assign(window, {
  drawWhole: () => drawn(<WholeList rows={ROWS} />),
  drawSeen: () => drawn(<SeenList rows={ROWS} />),
});
