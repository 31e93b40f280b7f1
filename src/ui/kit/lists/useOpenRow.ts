"use client";

import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";

/**
 * Which row is open stands in the address (?open=), so that it can be kept and
 * sent. It is written past the router, by the browser's own history: the router
 * takes an address that changes while it shows a page anew for another page,
 * and would load the whole document again.
 */
export function useOpenName(parameter: string): [string | null, (name: string | null) => void] {
  const search = useSearchParams();
  const [open, setOpen] = useState(() => search.get(parameter));
  useEffect(() => {
    const url = new URL(window.location.href);
    if (url.searchParams.get(parameter) === open) return;
    if (open === null) url.searchParams.delete(parameter);
    else url.searchParams.set(parameter, open);
    History.prototype.replaceState.call(window.history, window.history.state, "", url);
  });
  return [open, setOpen];
}

/** As useOpenName, for rows that go by number. */
export function useOpenRow(): [number | null, (id: number | string | null) => void] {
  const [open, setOpen] = useOpenName("open");
  const id = open === null ? Number.NaN : Number(open);
  return [Number.isInteger(id) ? id : null, (next) => setOpen(next === null ? null : String(next))];
}
