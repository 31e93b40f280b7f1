"use client";

import { usePathname, useSearchParams } from "next/navigation";
import { useLayoutEffect, useRef } from "react";

/**
 * Where a link led to another page or view, the focus goes on to what it shows: it would stay on
 * the link, and the next key would press it again instead of acting on the page.
 */
export function useArrival(): void {
  const address = `${usePathname()}?${useSearchParams().toString()}`;
  const before = useRef(address);
  // Before the page is painted: a key that is pressed as soon as it is seen, or as its address
  // stands, would still press the link.
  useLayoutEffect(() => {
    if (before.current === address) return;
    before.current = address;
    const { activeElement } = document;
    if (activeElement && activeElement !== document.body && activeElement.tagName !== "A") return;
    const sheet = document.querySelector<HTMLElement>("#sheet");
    const list = sheet?.querySelector<HTMLElement>("[role=region][tabindex='0']");
    (list ?? sheet)?.focus({ preventScroll: true });
  }, [address]);
}
