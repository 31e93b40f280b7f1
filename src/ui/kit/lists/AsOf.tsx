"use client";

import { usePathname, useRouter, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import type { Day } from "@/core/calendar";

import { LineDay } from "../days";

/** The day a report is for; it stands in the address. */
export function AsOf({ day }: { day: Day }): ReactNode {
  const router = useRouter();
  const path = usePathname();
  const search = useSearchParams();
  const go = (to: Day | ""): void => {
    if (to === "" || to === day) return;
    const query = new URLSearchParams(search);
    query.set("as-of", to);
    query.delete("page");
    router.replace(`${path}?${query}`);
  };
  return (
    <label data-tone="soft">
      as of <LineDay value={day} onDay={go} />
    </label>
  );
}
