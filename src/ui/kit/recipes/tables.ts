import { defineRecipe, type SystemStyleObject } from "@chakra-ui/react";

import { PHONE, NARROW } from "./marks";

const cells: SystemStyleObject = {
  height: "29px",
  padding: "0 6px",
  fontWeight: 400,
  borderBottom: "1px solid {colors.rule}",
  fontSize: "13.5px",
  textAlign: "left",
};

/** On a phone words give way to sums: they go on in the next line. */
const narrow: SystemStyleObject = {
  "& td:not([data-numeric]), & th": {
    whiteSpace: "normal",
    overflowWrap: "anywhere",
    height: "auto",
    padding: "5px 4px",
    width: "auto",
    maxWidth: "none",
  },
  "& [data-numeric]": { padding: "5px 3px", whiteSpace: "nowrap", fontSize: "12.5px" },
};

/** The small table of details beside the work. */
export const detailTableRecipe = defineRecipe({
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& td, & th": cells,
    "tr[data-workings] &": { "& td": { maxWidth: "300px" } },
    "& [data-numeric]": { textAlign: "right" },
    // A credit stands further in than a debit.
    "& td[data-indent]": { paddingLeft: "20px" },
    [NARROW]: narrow,
  },
  variants: {
    wrapped: { true: { "& td, & th": { whiteSpace: "normal" } } },
    /** A bill: on a phone what it is for and how much, then its day, one thing below the other. */
    bill: {
      true: {
        [NARROW]: {
          "&, & tbody": { display: "block" },
          "& thead": { display: "none" },
          "& tr": {
            display: "grid",
            gridTemplateColumns: "minmax(0, 1fr) auto",
            columnGap: "12px",
            padding: "10px 0",
            borderBottom: "1px solid {colors.rule}",
          },
          "& td, & td:not([data-numeric])": { borderBottom: 0, padding: "1px 0", fontSize: "15px" },
          "& td:not([data-narrow])": { display: "none" },
          "& td[data-narrow=who]": { gridArea: "1 / 1" },
          "& td[data-narrow=sum]": { gridArea: "1 / 2" },
          "& td[data-narrow=what]": { gridArea: "2 / 1 / 3 / 3" },
          "& td[data-narrow=state]": { gridArea: "3 / 1" },
          "& td[data-label]": {
            _before: { content: "attr(data-label)", color: "soft", marginRight: "6px" },
          },
          "& td[data-narrow=more]": { gridArea: "3 / 2" },
        },
      },
    },
    /** A row of fields: on a phone they go on in the next line. */
    folds: {
      true: {
        [NARROW]: {
          "& thead": { display: "none" },
          "& tr": { display: "flex", flexWrap: "wrap", borderBottom: "1px solid {colors.rule}" },
          "& td": { borderBottom: 0 },
        },
      },
    },
  },
});

/** The terms of a sum, one under the other, and what is left under a double rule. */
export const tallyRecipe = defineRecipe({
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& td, & th": cells,
    "& [data-numeric]": { textAlign: "right" },
    "& td:first-of-type": { whiteSpace: "normal" },
    "& tr[data-last] td": { borderBottom: 0 },
    [NARROW]: { ...narrow, "& td input:not([type=checkbox])": { width: "88px" } },
  },
});

/**
 * Lines that are typed in place: on a phone each has its words in one line, and its numbers, named by
 * their fields, in the next.
 */
export const lineTableRecipe = defineRecipe({
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& td, & th": { ...cells, minWidth: 0 },
    "& [data-numeric]": { textAlign: "right" },
    "& td:first-of-type": { whiteSpace: "normal" },
    // Rows by themselves, of which those beyond the screen are not drawn: there may be hundreds.
    display: "block",
    "& thead, & tbody": { display: "block" },
    "& tr": { display: "grid", gridTemplateColumns: "36fr 11fr 13fr 8fr 15fr 3fr" },
    "&[data-taxed] tr": { gridTemplateColumns: "36fr 11fr 13fr 8fr 14fr 15fr 3fr" },
    "& tbody tr": {
      alignItems: "center",
      contentVisibility: "auto",
      containIntrinsicSize: "auto 30px",
    },
    // A row shows nothing beyond itself.
    "& :focus-visible": { outlineOffset: "-2px" },
    [PHONE]: {
      "& thead": { display: "none" },
      "& tbody tr, &[data-taxed] tbody tr": {
        containIntrinsicSize: "auto 70px",
        gridTemplateColumns: "repeat(4, minmax(0, 1fr)) 24px",
        borderBottom: "1px solid {colors.line}",
        paddingBottom: "6px",
      },
      "& tbody td": { borderBottom: 0, padding: "3px 4px", minWidth: 0 },
      "& tbody td:first-of-type": { gridColumn: "1 / -1" },
      "& tbody td:nth-of-type(5):not([data-numeric])": { gridColumn: "1 / 3" },
    },
  },
});
