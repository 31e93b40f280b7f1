import { defineRecipe } from "@chakra-ui/react";

import { marks, NARROW } from "./marks";

/** The page of a book: the run above, the sheet, the proofs below. */
export const pageRecipe = defineRecipe({
  base: {
    ...marks,
    display: "flex",
    flexDirection: "column",
    height: "100dvh",
    overflow: "hidden",
    background: "sheet",
    [NARROW]: { height: "auto", minHeight: "100dvh", overflow: "visible" },
    "@media print": { height: "auto", overflow: "visible" },
  },
});

/** The line across the top. */
export const runRecipe = defineRecipe({
  base: {
    flex: "none",
    display: "flex",
    alignItems: "stretch",
    height: "48px",
    background: "paper",
    borderBottom: "1px solid {colors.rule}",
    padding: "0 24px",
    "& nav": { display: "flex", alignItems: "stretch" },
    "& nav a": {
      display: "flex",
      alignItems: "center",
      gap: "6px",
      padding: "0 7px",
      textDecoration: "none",
      color: "soft",
      borderInline: "1px solid transparent",
      whiteSpace: "nowrap",
    },
    "& nav a b": { color: "ink", fontWeight: 600 },
    "& nav a:hover": { color: "ink" },
    "& nav a[aria-current=page]": {
      background: "sheet",
      color: "ink",
      fontWeight: 600,
      borderInlineColor: "{colors.rule}",
      marginBottom: "-1px",
    },
    "& nav[data-records]": { marginLeft: "auto" },
    "& nav[data-records] a": { fontSize: "13px", padding: "0 6px" },
    "& nav[data-records] a[aria-current=page]": {
      background: "none",
      borderColor: "transparent",
      textDecoration: "underline",
      textUnderlineOffset: "5px",
      margin: 0,
    },
    [NARROW]: {
      flexWrap: "wrap",
      height: "auto",
      padding: "0 12px",
      "& nav": { overflowX: "auto", minHeight: "44px", maxWidth: "100%" },
      "& nav[data-records]": { marginLeft: 0 },
    },
    "@media print": { display: "none" },
  },
});

/** The word mark, with the business beside it. */
export const markRecipe = defineRecipe({
  base: {
    display: "flex",
    alignItems: "center",
    gap: "10px",
    marginRight: "8px",
    textDecoration: "none",
    "& b": { font: "600 19px {fonts.sums}" },
    "& span": {
      color: "soft",
      whiteSpace: "nowrap",
      maxWidth: "180px",
      overflow: "hidden",
      textOverflow: "ellipsis",
    },
  },
});

/** What stands at the right end of the run and is pressed. */
export const runButtonRecipe = defineRecipe({
  base: {
    fontSize: "13px",
    padding: "0 7px",
    color: "soft",
    background: "none",
    border: 0,
    cursor: "pointer",
    display: "flex",
    alignItems: "center",
    gap: "5px",
    whiteSpace: "nowrap",
    _hover: { color: "ink" },
  },
});

/** The sheet between run and proofs. */
export const sheetRecipe = defineRecipe({
  base: {
    flex: 1,
    minHeight: 0,
    display: "flex",
    flexDirection: "column",
    padding: "0 24px",
    [NARROW]: { padding: "0 12px", minWidth: 0 },
  },
});

/** The proofs along the bottom. */
export const stripRecipe = defineRecipe({
  base: {
    position: "relative",
    flex: "none",
    display: "flex",
    alignItems: "center",
    minHeight: "32px",
    background: "strip",
    borderTop: "1px solid {colors.rule}",
    padding: "0 24px",
    fontSize: "12.5px",
    color: "soft",
    // Sums of nine digits take a second line: none of them is cut.
    flexWrap: "wrap",
    "& a": {
      textDecoration: "none",
      whiteSpace: "nowrap",
      padding: "4px 7px",
      borderLeft: "1px solid {colors.line}",
      lineHeight: 1.2,
    },
    "& a:first-of-type": { paddingLeft: 0, borderLeft: 0 },
    "& a:hover": { textDecoration: "underline" },
    "& b": { color: "ink", fontWeight: 600 },
    "& b[data-tone=off]": { color: "off" },
    "& b[data-tone=waits]": { color: "waits" },
    [NARROW]: {
      maxWidth: "100vw",
      padding: "4px 12px",
      "& a": { padding: "4px 12px 4px 0", borderLeft: 0 },
    },
    "@media print": { display: "none" },
  },
});
