import type { SystemStyleObject } from "@chakra-ui/react";

/**
 * What a word, a sum or a cell is marked as, by data attributes that cost
 * nothing to render: `data-tone` (one of the four meanings, or soft),
 * `data-numeric`, `data-sum`, `data-total`, `data-strong`, `data-wrap`. Every root of a page carries them.
 */
export const marks: SystemStyleObject = {
  "& [data-sum]": { fontFamily: "sums" },
  "& [data-total]": {
    display: "inline-block",
    fontFamily: "sums",
    borderTop: "1px solid {colors.ink}",
    borderBottom: "3px double {colors.ink}",
    paddingTop: "1px",
    color: "ink",
  },
  "& [data-total=large]": { fontSize: "17px" },
  "& [data-tone=good]": { color: "good" },
  "& [data-tone=off]": { color: "off" },
  "& [data-tone=waits]": { color: "waits" },
  "& [data-tone=soft]": { color: "soft" },
  "& [data-strong]": { fontWeight: 600 },
  "& [data-wrap]": { whiteSpace: "normal" },
  "& [data-nowrap]": { whiteSpace: "nowrap" },
  "& [data-light]": { fontWeight: 400 },
  "& [data-hidden]": {
    position: "absolute",
    width: "1px",
    height: "1px",
    overflow: "hidden",
    clipPath: "inset(50%)",
    whiteSpace: "nowrap",
  },
  "& kbd": {
    font: "11px {fonts.body}",
    border: "1px solid currentcolor",
    borderRadius: "3px",
    padding: "0 4px",
    opacity: 0.8,
  },
  "& mark": { background: "none", color: "inherit", borderBottom: "2px solid {colors.good}" },
  "& mark[data-against]": { borderBottom: "2px dotted {colors.waits}" },
  "@media print": { "& [data-screen-only]": { display: "none" } },
};

/** Links in running text and tables: underlined thinly, so that a page of them stays calm. */
export const quietLinks: SystemStyleObject = {
  textDecoration: "underline",
  textDecorationColor: "line",
  textDecorationThickness: "1px",
  textUnderlineOffset: "3px",
};

/** Where a page is narrower than this, it is a phone's. */
export const NARROW = "@media (max-width: 900px)";
/** A screen as narrow as a telephone. */
export const PHONE = "@media (max-width: 600px)";
