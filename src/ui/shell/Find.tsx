"use client";

import { chakra, Dialog } from "@chakra-ui/react";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { type ReactNode, useEffect, useState } from "react";

import type { Found } from "@/contracts/shell";

import { EmptyState } from "../kit/layout";
import { load } from "./send";

const PLACES: Record<string, string> = {
  customer: "customers",
  invoice: "invoices",
  receipt: "receipts",
  payout: "payouts",
  "bank line": "lines",
};
const PAGES = [
  "arrivals",
  "match",
  "payouts",
  "overdue",
  "books",
  "customers",
  "invoices",
  "schedules",
  "reports",
  "settings",
  "words",
];

const Kind = chakra("span", { base: { flex: "none", width: "70px", color: "soft" } });
const Words = chakra("span", { base: { flex: "1 0 auto", maxWidth: "70%" } });
/** What tells it from others; it gives way where the line is short. */
const More = chakra("span", {
  base: {
    color: "soft",
    minWidth: 0,
    overflow: "hidden",
    textOverflow: "ellipsis",
    whiteSpace: "nowrap",
  },
});
/** The list that narrows while one types, on our paper. */
const Finder = chakra(Command, {
  base: {
    "& [cmdk-list]": { maxHeight: "420px", overflow: "auto", padding: "6px 0" },
    "& [cmdk-item]": { display: "flex", gap: "12px", padding: "7px 12px", cursor: "pointer" },
    "& [cmdk-item][data-selected=true]": { background: "strip" },
    "& [cmdk-input]": {
      width: "100%",
      border: 0,
      borderBottom: "1px solid {colors.rule}",
      padding: "12px",
      background: "transparent",
      fontSize: "16px",
      color: "ink",
    },
  },
});

/** Finds anything: a customer, an invoice number, a sum, a receipt, a page. */
export function Find({ book, close }: { book: string; close: () => void }): ReactNode {
  const router = useRouter();
  const [text, setText] = useState("");
  const [found, setFound] = useState<Found[]>([]);
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      if (text.trim().length < 2) return setFound([]);
      void load<Found[]>(`/api/v1/b/${book}/find?q=${encodeURIComponent(text)}`).then((sent) => {
        if (current) setFound(sent.ok ? sent.value : []);
      });
    }, 80);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [book, text]);
  const go = (to: string): void => {
    close();
    router.push(`/b/${book}/${to}`);
  };
  const pages = PAGES.filter((page) => text === "" || page.startsWith(text.toLowerCase()));
  return (
    <Dialog.Root
      open
      onOpenChange={({ open }) => {
        if (!open) close();
      }}
    >
      <Dialog.Backdrop />
      <Dialog.Positioner>
        <Dialog.Content aria-label="Find">
          <Finder shouldFilter={false} label="Find">
            <Command.Input
              autoFocus
              value={text}
              onValueChange={setText}
              placeholder="A customer, an invoice number, a sum like 420.00, a payer, a page"
            />
            <Command.List>
              <Command.Empty>
                <EmptyState>
                  Nothing is called that. Try part of a name, or a sum with its cents.
                </EmptyState>
              </Command.Empty>
              {found.map((found) => (
                <Command.Item
                  key={`${found.kind}${found.id}`}
                  value={`${found.kind}${found.id}`}
                  onSelect={() => go(`${PLACES[found.kind] ?? "books"}/${found.id}`)}
                >
                  <Kind>{found.kind}</Kind>
                  <Words>{found.words}</Words>
                  <More>{found.more}</More>
                </Command.Item>
              ))}
              {pages.map((page) => (
                <Command.Item key={page} value={`page ${page}`} onSelect={() => go(page)}>
                  <Kind>page</Kind>
                  <span>
                    {page[0]?.toUpperCase()}
                    {page.slice(1)}
                  </span>
                </Command.Item>
              ))}
            </Command.List>
          </Finder>
        </Dialog.Content>
      </Dialog.Positioner>
    </Dialog.Root>
  );
}
