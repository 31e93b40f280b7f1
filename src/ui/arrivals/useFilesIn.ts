import { useEffect, useEffectEvent, useState } from "react";

import type { ArrivalsFacts, FileAgain, InspectedFile } from "@/contracts/arrivals";

import { useActing } from "../shell/Notices";
import { post } from "../shell/send";

/** In which order files are looked at that came together: what a later one rests on comes first. */
const ORDER = ["customers", "invoices", "processor", "returns", "bank", "remittance"] as const;
const placeOf = ({ kind }: InspectedFile): number =>
  ORDER.indexOf(kind as (typeof ORDER)[number]) + (kind === null ? ORDER.length + 1 : 0);

/** `came`: the content as it came, before cells of it were mended. */
type Waiting = { file: InspectedFile; others: readonly InspectedFile[]; came: string };

/**
 * Files that come in, several at once, each with its own look, in the order that their contents ask
 * for: the next is read anew when it is its turn, as the one before may have changed the book.
 */
export function useFilesIn({
  book,
  mostMegabytes,
  again,
}: Pick<ArrivalsFacts, "book" | "mostMegabytes" | "again">) {
  const { complain } = useActing();
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const [reading, setReading] = useState<string | null>(null);
  const inspect = async (
    name: string,
    query: string,
    body: BodyInit,
  ): Promise<InspectedFile | null> => {
    setReading(name);
    const sent = await post<InspectedFile>(`/api/v1/b/${book}/files?${query}`, body);
    setReading(null);
    if (!sent.ok) complain(`${name}: ${sent.message}`);
    return sent.ok ? sent.value : null;
  };
  const show = (files: readonly InspectedFile[]): void => {
    const [file, ...others] = [...files].sort((one, other) => placeOf(one) - placeOf(other));
    setWaiting(file ? { file, others, came: file.sha256 } : null);
  };
  const takeFiles = async (files: readonly File[]): Promise<void> => {
    const inspected: InspectedFile[] = [];
    for (const file of files) {
      const megabytes = Math.ceil(file.size / 1_000_000);
      if (file.size > mostMegabytes * 1_000_000)
        complain(
          `${file.name} has ${megabytes} MB; at most ${mostMegabytes} MB are taken in at once. Split it by date and take in the parts, overlaps do no harm.`,
        );
      else {
        const read = await inspect(file.name, `name=${encodeURIComponent(file.name)}`, file);
        if (read) inspected.push(read);
      }
    }
    show(inspected);
  };
  const takeArrived = async (name: string): Promise<void> => {
    const read = await inspect(name, `arrived=${encodeURIComponent(name)}`, "");
    show(read ? [read] : []);
  };
  const next = async (): Promise<void> => {
    const [file, ...others] = waiting?.others ?? [];
    setWaiting(null);
    if (!file) return;
    const query = `kept=${file.sha256}&name=${encodeURIComponent(file.name)}`;
    const read = await inspect(file.name, query, "");
    if (read) setWaiting({ file: read, others, came: read.sha256 });
    else show(others);
  };
  useAgain(again, async ({ sha256, name, kind }) => {
    const query = `kept=${sha256}&kind=${kind}&name=${encodeURIComponent(name)}`;
    const read = await inspect(name, query, "");
    if (read) show([read]);
  });
  usePasted((file) => void takeFiles([file]), waiting === null && reading === null);
  return { waiting, reading, takeFiles, takeArrived, next };
}

/** A file of before that the page was opened for is read at once. */
function useAgain(again: FileAgain | null, read: (again: FileAgain) => Promise<void>): void {
  const reading = useEffectEvent(read);
  useEffect(() => {
    if (again) void reading(again);
  }, [again]);
}

/** Rows that are pasted on the page, and into no field, are a file like any other. */
function usePasted(take: (file: File) => void, enabled: boolean): void {
  useEffect(() => {
    if (!enabled) return;
    const paste = (event: ClipboardEvent): void => {
      const { target } = event;
      const isTyping = target instanceof Element && target.closest("input, textarea, select");
      const text = event.clipboardData?.getData("text/plain") ?? "";
      if (isTyping || !text.trim().includes("\n")) return;
      event.preventDefault();
      take(new File([text], "pasted.csv", { type: "text/csv" }));
    };
    document.addEventListener("paste", paste);
    return () => document.removeEventListener("paste", paste);
  }, [take, enabled]);
}
