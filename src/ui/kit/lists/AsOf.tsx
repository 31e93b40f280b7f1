"use client";

import { usePathname, useRouter, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import type { Day } from "@/core/calendar";

import { LineField } from "../fields";

/** The day a report is for; it stands in the address. */
export function AsOf({ day }: { day: Day }): ReactNode {
  const router = useRouter();
  const path = usePathname();
  const search = useSearchParams();
  const go = (to: string): void => {
    if (!/^\d{4}-\d\d-\d\d$/.test(to) || to === day) return;
    const query = new URLSearchParams(search);
    query.set("as-of", to);
    query.delete("page");
    router.replace(`${path}?${query}`);
  };
  return (
    <label data-tone="soft">
      as of{" "}
      <LineField
        type="date"
        kind="plain"
        defaultValue={day}
        key={day}
        onChange={(event) => go(event.target.value)}
      />
    </label>
  );
}
