import { defineRecipe, type SystemStyleObject } from "@chakra-ui/react";

import { NARROW, quietLinks } from "./marks";

const RULE = "1px solid {colors.rule}";
const LINE = "1px solid {colors.line}";
const cut = { whiteSpace: "nowrap", overflow: "hidden", textOverflow: "ellipsis" };

/** A row as two lines: who and how much, then its state; the rest comes when it is opened. */
const twoLines = {
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) auto",
  columnGap: "12px",
  padding: "6px 4px",
};

const narrow: SystemStyleObject = {
  maxWidth: "100%",
  maxHeight: "calc(100dvh - 120px)",
  overflowX: "hidden",
  scrollPadding: 0,
  "& > table, & > table > tbody, & > table > tfoot": { display: "block" },
  "& > table > colgroup": { display: "none" },
  "& > table > thead": {
    position: "absolute",
    width: "1px",
    height: "1px",
    overflow: "hidden",
    clipPath: "inset(50%)",
  },
  "& > table > tbody > tr[data-row], & > table > tfoot > tr": twoLines,
  "& > table > tbody > tr[data-row]": { borderBottom: RULE },
  "& > table > tbody > tr[data-row] > td, & > table > tfoot > tr > td": {
    display: "block",
    minWidth: 0,
    height: "auto",
    minHeight: "22px",
    padding: 0,
    border: 0,
    boxShadow: "none",
  },
  "& > table > tbody > tr[data-row] > td:not([data-narrow], [data-label])": { display: "none" },
  "& > table > tfoot > tr > td:not([data-narrow])": { display: "none" },
  "& > table > tbody > tr[data-open] > td:first-of-type": { boxShadow: "none" },
  "& > table > tbody > tr[data-looked] > td[data-label]": { display: "none" },
  "& > table > * > tr > td[data-narrow=who]": { gridArea: "1 / 1" },
  "& > table > * > tr > td[data-narrow=sum]": { gridArea: "1 / 2", textAlign: "right" },
  "& > table > * > tr > td[data-narrow=state]": { gridArea: "2 / 1", textAlign: "left" },
  "& > table > * > tr > td[data-narrow=more]": {
    gridArea: "2 / 2",
    textAlign: "right",
    color: "soft",
  },
  "& > table > tfoot > tr > td[data-empty]": { display: "none" },
  "& > table > tbody > tr[data-row][data-open]:not([data-looked])": {
    background: "open",
    borderBottom: 0,
    boxShadow: "inset 3px 0 0 {colors.ink}",
  },
  "& > table > tbody > tr[data-row]:not([data-looked]) > td[data-label]": {
    display: "flex",
    gridColumn: "1 / -1",
    justifyContent: "space-between",
    gap: "12px",
    whiteSpace: "normal",
    textAlign: "right",
    fontWeight: 400,
    _before: { content: "attr(data-label)", color: "soft", flex: "none" },
  },
  // What the page opened by itself waits for a touch here: it would fill the screen.
  "& > table > tbody > tr[data-looked] > td": { background: "none", fontWeight: 400 },
  "& > table > tbody > tr[data-workings][data-looked]": { display: "none" },
  "& > table > tbody > tr:is([data-workings], [data-part], [data-spacer])": { display: "block" },
  "& > table > tbody > tr:is([data-workings], [data-part], [data-spacer]) > td": {
    display: "block",
    padding: "2px 4px 10px",
  },
};

/**
 * The list of a ledger page. Only its root is styled; cells are plain elements,
 * reached by child combinators, so that a table within a row's workings keeps
 * its own looks. A row is marked by `data-row`, the open one by `data-open`.
 */
export const ledgerListRecipe = defineRecipe({
  base: {
    position: "relative",
    flex: "0 1 auto",
    minHeight: 0,
    overflow: "auto",
    borderBottom: RULE,
    scrollPadding: "34px 0 34px",
    "& > table": {
      width: "100%",
      borderCollapse: "separate",
      borderSpacing: 0,
      tableLayout: "fixed",
    },
    "& > table > thead > tr > th": {
      position: "sticky",
      top: 0,
      zIndex: 2,
      background: "sheet",
      textAlign: "left",
      fontWeight: 400,
      fontSize: "13px",
      color: "soft",
      padding: "6px 8px",
      borderBottom: LINE,
      ...cut,
    },
    "& > table > tbody > tr > td": { borderBottom: RULE },
    "& > table > * > tr > td": { height: "31px", padding: "0 8px", ...cut },
    // A sum is never cut short.
    "& > table > * > tr > [data-numeric]": {
      textAlign: "right",
      overflow: "visible",
      textOverflow: "clip",
    },
    "& > table > * > tr > td[data-wrap]": { whiteSpace: "normal" },
    "& > table > tbody > tr[data-row]": { cursor: "pointer" },
    "& > table > tbody > tr[data-row]:hover > td": { background: "open" },
    "& > table > tbody > tr[data-open] > td": {
      background: "open",
      fontWeight: 600,
      borderBottomColor: "transparent",
    },
    "& > table > tbody > tr[data-open] > td:first-of-type": {
      boxShadow: "inset 3px 0 0 {colors.ink}",
    },
    "& > table > tbody > tr[data-workings] > td": {
      background: "open",
      whiteSpace: "normal",
      overflow: "visible",
      padding: "2px 8px 14px",
      boxShadow: "inset 3px 0 0 {colors.ink}",
      borderBottom: LINE,
      height: "auto",
    },
    // The button that opens a row looks like the words it bears.
    "& [data-opener]": {
      minHeight: "24px",
      minWidth: "24px",
      font: "inherit",
      background: "none",
      border: 0,
      color: "inherit",
      padding: 0,
      cursor: "pointer",
      textAlign: "left",
      maxWidth: "100%",
      display: "inline-block",
      verticalAlign: "middle",
      ...cut,
    },
    // Keys of a row act once it is taken up: until then no button bears one.
    "& > table > tbody > tr[data-looked] :is(button, a) kbd": { display: "none" },
    // The focus lies on the workings while their keys act.
    "& > table > tbody > tr[data-workings] > td:focus-visible": {
      outline: "2px solid {colors.ink}",
      outlineOffset: "-2px",
    },
    "& > table > tbody > tr[data-part] > td": { color: "soft", height: "27px" },
    "& > table > tbody > tr[data-spacer] > td": { padding: 0, border: 0 },
    "& > table > tfoot > tr > td": {
      position: "sticky",
      bottom: 0,
      zIndex: 2,
      background: "sheet",
      color: "soft",
      borderTop: LINE,
    },
    "& > table > tbody > tr > td a, & > table > tfoot > tr > td a": quietLinks,
    "& > table > tbody > tr > td a:hover": { textDecorationColor: "currentcolor" },
    "& td:first-of-type > a": { textDecoration: "none" },
    // What stands in the workings is cut too, as long as nothing says otherwise.
    "& tr:where([data-workings]) table td, & tr:where([data-workings]) table th": cut,
    "& tr:where([data-workings]) table th": { color: "soft" },
    "& > table > thead a": { textDecoration: "none" },
    [NARROW]: narrow,
  },
});
