import type { RowKind } from "@/core/activity/index";
import { plainWords } from "@/core/formats";

import { Cells, type Row } from "../cells";
import { screened } from "../lines/rowsLeftOut";
import { sureState } from "../rowWords";
import type { EndedRow, Unread } from "../types";

/** What has ended is known by its id; a word that says only that it failed stands for a charge. */
export function endedRow(
  cells: Cells,
  row: Row,
  decided: RowKind | "no_money" | "not_yet",
): EndedRow[] {
  const isPayout = /\bpayout\b/.test(plainWords(cells.of(row, "kind")));
  const failed = isPayout ? "payout" : "charge";
  const kind = decided === "no_money" ? failed : decided;
  if (kind === "ignore" || kind === "not_yet") return [];
  const id = (kind === "payout" && cells.of(row, "payoutId")) || cells.of(row, "id");
  return id === "" ? [] : [{ line: row.line, id, kind }];
}

/** The rows of a file whose words of kind say by themselves that they have ended. */
export function endedRows(file: Unread): EndedRow[] {
  const cells = new Cells(file);
  return screened(cells).rows.flatMap((row) =>
    sureState(cells.of(row, "kind")) === "none" ? endedRow(cells, row, "no_money") : [],
  );
}
