"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";

import type { MatchRow } from "@/contracts/match";

import { Act } from "../kit/buttons";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

/** A receipt that was set aside can be taken back. */
export function AsideWorkings({ row, done }: { row: MatchRow; done: () => void }): ReactNode {
  const { act, book } = useActing();
  const [actId, setActId] = useState<number | null>(null);
  useEffect(() => {
    void load<{ actId: number | null }>(`/api/v1/b/${book}/receipts/${row.id}/aside`).then((sent) =>
      setActId(sent.ok ? sent.value.actId : null),
    );
  }, [book, row.id]);
  const takeBack = (): void =>
    void act<{ actId: number }>("undo", { actId }, () => ({
      words: "Taken back: it is to be matched again.",
    })).then((value) => {
      if (value) done();
    });
  return (
    <WorkingsGrid parts="two">
      <Box>
        <p>
          {row.look === "other income" ? (
            <>Other income: {row.best}. It stands there until it is taken back.</>
          ) : (
            <>
              Set aside: {row.best}. It stands in the account for what is parked until it is taken
              back.
            </>
          )}
        </p>
        <ActRow>
          <Act main onClick={takeBack} disabled={actId === null}>
            Take back
          </Act>
          <a href={`/b/${book}/receipts/${row.id}`}>Its whole story</a>
        </ActRow>
      </Box>
    </WorkingsGrid>
  );
}
