"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import { NARROW } from "./recipes/marks";
import { filterRecipe, headingRecipe, tabsRecipe, titleRecipe } from "./recipes/parts";

/** The head of a page. */
export const PageHeading = chakra("div", headingRecipe);
/** The title of a page: the sum that matters, or whose page it is. */
export const Title = chakra("h1", titleRecipe);
/** A heading within a page. */
export const Subheading = chakra("h2");
/** A sentence below the head that has to be read before something is done. */
export const HeadingNote = chakra("p", {
  base: { flex: "none", margin: "0 0 6px", "& a": { textDecoration: "underline" } },
});
/** The views of a page. */
export const TabLine = chakra("div", tabsRecipe, { defaultProps: { "data-tabs": true } });

/** Which rows of a list are shown. */
export const FilterLine = chakra("div", filterRecipe, {
  defaultProps: { role: "group", "aria-label": "Show" },
});

const End = chakra("div", {
  base: {
    marginLeft: "auto",
    display: "flex",
    gap: "8px",
    alignItems: "center",
    [NARROW]: { flexWrap: "wrap", justifyContent: "flex-end" },
  },
});

/** What stands at the right end of a page's head. */
export function HeadingEnd({ children }: { children: ReactNode }): ReactNode {
  return <End data-end>{children}</End>;
}

/** One view of a page, or one filter of a list; `here` where it is the one that is seen. */
export function Tab({
  href,
  here,
  children,
}: {
  href: string;
  here: boolean;
  children: ReactNode;
}): ReactNode {
  return (
    <NextLink href={href} aria-current={here ? "page" : undefined} prefetch={false}>
      {children}
    </NextLink>
  );
}
