"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Dispatch, ReactNode, RefObject, SetStateAction } from "react";

import type { ArrivalsFacts } from "@/contracts/arrivals";

import { Act } from "../kit/buttons";
import { FileField } from "../kit/fields";
import { DropArea } from "../kit/layout";
import { DetailTable } from "../kit/tables";

type ArrivedFilesProps = {
  arrived: ArrivalsFacts["arrived"];
  reading: string | null;
  takeArrived: (name: string) => void;
};
export function ArrivedFiles({ arrived, reading, takeArrived }: ArrivedFilesProps): ReactNode {
  return (
    <Box>
      <DetailTable>
        <tbody>
          {arrived.map((name) => (
            <tr key={name}>
              <td>{name}</td>
              <td data-numeric>
                <Act onClick={() => takeArrived(name)} disabled={reading !== null}>
                  Look at it
                </Act>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Box>
  );
}
type FileDropProps = {
  chooser: RefObject<HTMLInputElement | null>;
  over: boolean;
  reading: string | null;
  setOver: Dispatch<SetStateAction<boolean>>;
  takeFiles: (files: readonly File[]) => void;
};
export function FileDrop({ chooser, over, reading, setOver, takeFiles }: FileDropProps): ReactNode {
  return (
    <DropArea
      data-over={over || undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        takeFiles([...event.dataTransfer.files]);
      }}
    >
      {reading ? (
        <span aria-live="polite">Reading {reading} …</span>
      ) : (
        <>
          Drop files here, or paste rows: customers, open invoices, a processor’s activity, a bank
          statement, remittance advice or returns, as CSV or XLSX; or OFX, camt, BAI2, MT940, Nacha,
          820, UBL.
          <br />
          <chakra.span display="inline-block" marginTop="8px">
            <Act onClick={() => chooser.current?.click()}>Choose files</Act>
          </chakra.span>
        </>
      )}
      <FileField
        data-hidden
        multiple
        ref={chooser}
        accept=".csv,.txt,.tsv,.xlsx,.ach,.ofx,.xml,.bai,.sta,.940,.942,.820,.edi,text/csv"
        aria-label="File to take in"
        onChange={(event) => {
          takeFiles([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </DropArea>
  );
}
