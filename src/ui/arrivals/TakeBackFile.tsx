"use client";

import type { ReactNode } from "react";

import type { FileRest, TakenFile } from "@/contracts/arrivals";
import { type Day, formatDay } from "@/core/calendar";

import { Cell, DetailTable } from "../kit/tables";
import { HeadingEnd } from "../kit/headings";
import { Details } from "../kit/layout";
import { LastLook } from "../shell/LastLook";
import { useActing } from "../shell/Notices";

type Props = { file: TakenFile; rests: readonly FileRest[] };

/** Takes the whole file back, after a look at what rests on it; once that is done, says so. */
export function TakeBackFile({ file, rests }: Props): ReactNode {
  const { act } = useActing();
  if (file.undoneBy !== null)
    return (
      <HeadingEnd>
        <span data-tone="waits">taken back: it can be taken in anew</span>
      </HeadingEnd>
    );
  const words =
    rests.length === 0
      ? "Nothing rests on it: every line of it goes."
      : `${thingsIn(rests)} on it, undone first.`;
  return (
    <HeadingEnd>
      <LastLook
        ask="Take this file back"
        go="Take it back"
        words={words}
        onGo={() =>
          void act<{ undone: number }>(
            "undoFile",
            { fileId: file.id, rest: rests.length > 0 },
            ({ undone }) => ({
              words:
                undone === 1
                  ? `${file.name} is taken back.`
                  : `${file.name} is taken back, and ${undone - 1} that rested on it.`,
            }),
          )
        }
      />
    </HeadingEnd>
  );
}

/** What rests on the file, in the order in which it would be undone. */
export function RestsOnFile({ rests, today }: Pick<Props, "rests"> & { today: Day }): ReactNode {
  if (rests.length === 0) return null;
  return (
    <Details>
      <summary data-tone="soft">{thingsIn(rests)} on it, the last first</summary>
      <DetailTable maxWidth="760px" aria-label="Rests on this file">
        <tbody>
          {rests.map((rest) => (
            <tr key={rest.commandId}>
              <Cell width="110px">{formatDay(rest.onDay, today)}</Cell>
              <td data-wrap>
                {rest.words}
                {rest.count > 1 ? ` and ${rest.count - 1} more` : ""}
              </td>
              <td data-tone="soft">{rest.actor}</td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Details>
  );
}

/** How many things were done that rest on a file, in words. */
function thingsIn(rests: readonly FileRest[]): string {
  const count = rests.reduce((sum, rest) => sum + rest.count, 0);
  return count === 1 ? "1 thing rests" : `${count} things rest`;
}
