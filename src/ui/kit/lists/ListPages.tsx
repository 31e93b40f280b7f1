"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { usePathname, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

const Line = chakra("p", { base: { padding: "8px", display: "flex", gap: "16px", color: "soft" } });

/** Which rows of a long list are seen, and the way to those before and after. */
export function ListPages({
  count,
  page,
  pageRows,
}: {
  count: number;
  page: number;
  pageRows: number;
}): ReactNode {
  const path = usePathname();
  const search = useSearchParams();
  if (count <= pageRows) return null;
  const to = (number: number): string => {
    const query = new URLSearchParams(search);
    query.set("page", String(number));
    return `${path}?${query}`;
  };
  const last = Math.ceil(count / pageRows);
  return (
    <Line>
      <span>
        {(page - 1) * pageRows + 1} to {Math.min(count, page * pageRows)} of {count}
      </span>
      {page > 1 ? <NextLink href={to(page - 1)}>those before</NextLink> : null}
      {page < last ? <NextLink href={to(page + 1)}>those after</NextLink> : null}
    </Line>
  );
}
