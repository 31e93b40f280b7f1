import type { Row } from "../../cells";
import { MARKS } from "../../sums/marks";
import { sumWithin } from "../../sums/sumCells";

/** Whether each of some cells of a line is what its column comes to in others, under one of the marks. */
export const isSumOf = (total: Row, lines: readonly Row[], places: readonly number[]): boolean =>
  places.length > 0 &&
  MARKS.some((mark) =>
    places.every((at) => {
      const sum = lines.reduce(
        (all, line) => all + (sumWithin(line.cells[at] ?? "", mark) ?? 0),
        0,
      );
      const said = (total.cells[at] ?? "").trim();
      return (said === "" ? 0 : sumWithin(said, mark)) === sum;
    }),
  );
