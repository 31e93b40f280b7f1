import { defineRecipe } from "@chakra-ui/react";

import { NARROW, quietLinks } from "./marks";

/** The head of a page: the sum that matters, the views beside it, what can be done at its end. */
export const headingRecipe = defineRecipe({
  base: {
    flex: "none",
    display: "flex",
    alignItems: "center",
    gap: "20px",
    padding: "14px 0 8px",
    flexWrap: "wrap",
    "& > span a": quietLinks,
    [NARROW]: {
      flexWrap: "wrap",
      gap: "10px",
      "& > *": { minWidth: 0, maxWidth: "100%" },
      "& > div:not([data-end], [data-tabs])": { flex: "1 0 100%" },
    },
  },
  variants: {
    oneLine: { true: { "@media (min-width: 901px)": { flexWrap: "nowrap" } } },
  },
});

export const titleRecipe = defineRecipe({
  base: {
    font: "400 25px/1.2 {fonts.sums}",
    margin: 0,
    display: "flex",
    alignItems: "baseline",
    gap: "8px",
    "& small": { font: "14px {fonts.body}", color: "soft" },
  },
});

/** The views of a page, one beside the other; the one that is seen is underlined in ink. */
export const tabsRecipe = defineRecipe({
  base: {
    display: "flex",
    gap: "4px 15px",
    flexWrap: "wrap",
    "& > a": {
      color: "soft",
      textDecoration: "none",
      padding: "3px 0",
      borderBottom: "2px solid transparent",
      whiteSpace: "nowrap",
    },
    "& > a b": { color: "ink", fontWeight: 600 },
    "& > a[aria-current=page]": { color: "ink", fontWeight: 600, borderBottomColor: "ink" },
    [NARROW]: { rowGap: "4px" },
  },
});

/** Which rows of a list are shown; quieter than the views, and never in their line. */
export const filterRecipe = defineRecipe({
  base: {
    display: "flex",
    gap: "4px 14px",
    flexWrap: "wrap",
    fontSize: "13px",
    "& a": { color: "soft", textDecoration: "none", padding: "2px 0", whiteSpace: "nowrap" },
    "& a b": { fontWeight: 600 },
    "& a[aria-current]": { color: "ink", textDecoration: "underline", textUnderlineOffset: "4px" },
  },
});

/** What can be done, in a row of buttons. */
export const actsRecipe = defineRecipe({
  base: {
    display: "flex",
    gap: "8px",
    flexWrap: "wrap",
    marginTop: "12px",
    alignItems: "center",
    "& a": quietLinks,
    // On a phone what can be done stays within reach of the thumb.
    [NARROW]: {
      position: "sticky",
      bottom: 0,
      zIndex: 1,
      background: "sheet",
      padding: "6px 0",
      "tr[data-workings] &": { background: "open" },
    },
    "@media print": { display: "none" },
  },
});

/** Names of facts and the facts, in two columns. */
export const factsRecipe = defineRecipe({
  base: {
    display: "grid",
    gridTemplateColumns: "max-content 1fr",
    gap: "3px 16px",
    margin: "6px 0",
    "& dt": { color: "soft" },
    "& dd": { margin: 0 },
  },
});

/** What was said by the program after an act. */
export const noticeRecipe = defineRecipe({
  base: {
    display: "flex",
    alignItems: "center",
    gap: "12px",
    padding: "6px 12px",
    border: "1px solid {colors.line}",
    background: "sheet",
    borderRadius: "4px",
    fontSize: "13.5px",
  },
  variants: { tone: { bad: { borderColor: "off" } } },
});

/** A list without a row says what to do next. */
export const emptyStateRecipe = defineRecipe({
  base: {
    padding: "48px 8px",
    textAlign: "center",
    color: "soft",
    "& p": { margin: "4px 0" },
    "& a": quietLinks,
  },
});

/** The words of a letter, as they will be read. */
export const letterRecipe = defineRecipe({
  base: {
    whiteSpace: "pre-wrap",
    font: "13px/1.5 ui-monospace, monospace",
    background: "sheet",
    border: "1px solid {colors.rule}",
    padding: "10px 14px",
    margin: 0,
    overflow: "auto",
    maxHeight: "300px",
  },
});

/** Where a file is dropped. */
export const dropAreaRecipe = defineRecipe({
  base: {
    border: "1px dashed {colors.line}",
    padding: "26px",
    textAlign: "center",
    color: "soft",
    borderRadius: "4px",
    "&[data-over]": { borderColor: "ink", color: "ink" },
  },
});
