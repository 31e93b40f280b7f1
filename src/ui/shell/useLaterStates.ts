"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";

import { load } from "./send";

/** Milliseconds between two looks whether the book has changed below an open page. */
const LOOK_EVERY = 20_000;

/**
 * Shows the page anew where its book has changed since: by somebody else, by the clock, or by a
 * change of the file from outside. It looks when the page is come back to, and every so often while
 * it is in view.
 */
export function useLaterStates(book: string, state: string): void {
  const router = useRouter();
  useEffect(() => {
    const look = (): void => {
      if (document.hidden) return;
      void load<string>(`/api/v1/b/${book}/state`).then((now) => {
        if (now.ok && now.value !== state) router.refresh();
      });
    };
    const timer = setInterval(look, LOOK_EVERY);
    document.addEventListener("visibilitychange", look);
    window.addEventListener("focus", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
      window.removeEventListener("focus", look);
    };
  }, [book, router, state]);
}
