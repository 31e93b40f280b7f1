"use client";

import { type ReactNode, useState } from "react";

import { RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Form } from "../kit/layout";

/** Writes a cell anew and reads the file again. */
export type Mend = (line: number, column: string, cell: string) => Promise<void>;

type MendCellProps = { line: number; column: string; came: string; mend: Mend };

/**
 * A cell that was refused, as it came, to be written as it should have come; the file that came stays
 * as it is.
 */
export function MendCell({ line, column, came, mend }: MendCellProps): ReactNode {
  const [cell, setCell] = useState(came);
  const [busy, setBusy] = useState(false);
  return (
    <Form
      display="flex"
      alignItems="baseline"
      gap="8px"
      onSubmit={(event) => {
        event.preventDefault();
        setBusy(true);
        void mend(line, column, cell).then(() => setBusy(false));
      }}
    >
      <LineField
        width="110px"
        aria-label={`${column} of line ${line}`}
        placeholder="write it anew"
        value={cell}
        onChange={(event) => setCell(event.target.value)}
      />
      <RowButton type="submit" disabled={busy || cell.trim() === came}>
        mend
      </RowButton>
    </Form>
  );
}
