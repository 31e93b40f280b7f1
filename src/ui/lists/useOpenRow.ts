"use client";

import { parseAsInteger, useQueryState } from "nuqs";

/** Which row is open stands in the address, so that it can be kept and sent. */
export function useOpenRow(): [number | null, (id: number | string | null) => void] {
  const [open, setOpen] = useQueryState("open", parseAsInteger.withOptions({ history: "replace", shallow: true }));
  return [open, (id) => void setOpen(id === null ? null : Number(id))];
}
