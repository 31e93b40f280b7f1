"use client";

import { usePathname, useSearchParams } from "next/navigation";
import { useEffect, useRef } from "react";

/**
 * Where a link led to another page or view, the focus goes on to what it shows: it would stay on
 * the link, and the next key would press it again instead of acting on the page.
 */
export function useArrival(): void {
  const address = `${usePathname()}?${useSearchParams().toString()}`;
  const before = useRef(address);
  useEffect(() => {
    if (before.current === address) return;
    before.current = address;
    const { activeElement } = document;
    if (activeElement && activeElement !== document.body && activeElement.tagName !== "A") return;
    const sheet = document.querySelector<HTMLElement>("#sheet");
    const list = sheet?.querySelector<HTMLElement>("[role=region][tabindex='0']");
    (list ?? sheet)?.focus({ preventScroll: true });
  }, [address]);
}
