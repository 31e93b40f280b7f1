"use client";

import { chakra } from "@chakra-ui/react";
import { type ComponentProps, type ReactNode, useId } from "react";

import type { Labelled } from "./fields";
import { inputRecipe } from "./recipes/boxes";
import { marks, PHONE, quietLinks } from "./recipes/marks";

/** The sheet of a pay page: made for a phone, a narrow slip of paper on a desk. */
export const PaySheet = chakra("main", {
  base: {
    ...marks,
    maxWidth: "430px",
    minHeight: "100vh",
    boxSizing: "border-box",
    margin: "0 auto",
    padding: "26px 22px 34px",
    background: "sheet",
    borderInline: "1px solid {colors.rule}",
    display: "flex",
    flexDirection: "column",
    fontSize: "16px",
    [PHONE]: { borderInline: 0, padding: "18px 16px 24px" },
    "& header p": { margin: 0, fontSize: "14px", color: "soft" },
    "& h1": { font: "400 23px/1.3 {fonts.sums}", margin: "2px 0 14px", overflowWrap: "anywhere" },
    "& h2": { font: "600 15px/1.4 {fonts.body}", margin: "22px 0 8px" },
    "& ul": { listStyle: "none", margin: 0, padding: 0 },
    "& small": { fontSize: "13.5px" },
    "& a": quietLinks,
    "& dl": { margin: "18px 0 0", display: "grid", gridTemplateColumns: "96px 1fr" },
    "& dt, & dd": { margin: 0, padding: "10px 0", borderBottom: "1px solid {colors.rule}" },
    "& dt": { color: "soft" },
    "& dd": { overflowWrap: "anywhere" },
    "& [data-words]": { color: "soft", fontSize: "13.5px", margin: "14px 0" },
  },
});

/** An invoice on a pay page: its box, what it is, its sum. */
export const PayRow = chakra("li", {
  base: {
    borderBottom: "1px solid {colors.rule}",
    "& label, & > div": {
      display: "grid",
      gridTemplateColumns: "30px minmax(0, 1fr) auto",
      gap: "0 4px",
      padding: "10px 0",
      alignItems: "start",
      minHeight: "44px",
    },
    "& input": { width: "19px", height: "19px", margin: "2px 0 0", accentColor: "{colors.act}" },
    "& small": { display: "block", color: "soft" },
    "& small[data-tone=off]": { color: "off" },
    "& [data-name]": { overflowWrap: "anywhere" },
    "& [data-sum]": { fontSize: "17px" },
  },
});

/** The sum of a pay page, under its double rule, at the right of its words. */
export const PaySum = chakra("p", {
  base: {
    display: "flex",
    alignItems: "end",
    justifyContent: "space-between",
    gap: "12px",
    margin: "12px 0 8px",
    "& [data-total]": {
      fontSize: "clamp(18px, 6.4vw, 25px)",
      fontWeight: 600,
      padding: "2px 0",
      whiteSpace: "nowrap",
    },
    // Nine digits and more still stand in one line on a phone.
    "&[data-alone]": {
      justifyContent: "flex-start",
      "& [data-total]": { fontSize: "clamp(20px, 7.4vw, 34px)" },
    },
  },
});

/** A way to pay that is chosen: outlined strongly where it is the one. */
export const WayCard = chakra("label", {
  base: {
    display: "grid",
    gridTemplateColumns: "minmax(0, 1fr) auto",
    gap: "0 10px",
    alignItems: "center",
    border: "1px solid {colors.line}",
    borderRadius: "6px",
    padding: "12px 14px",
    margin: "0 0 9px",
    minHeight: "44px",
    cursor: "pointer",
    "&:has(input:checked)": { borderColor: "ink", boxShadow: "inset 0 0 0 1px {colors.ink}" },
    "&:has(input:focus-visible)": { outline: "2px solid {colors.ink}", outlineOffset: "2px" },
    "& small": { display: "block", color: "soft" },
    "& input": { width: "18px", height: "18px", accentColor: "{colors.act}" },
  },
});

/** The one button that a step of a pay page leads on by, at the foot of the slip. */
export const PayButton = chakra("button", {
  base: {
    width: "100%",
    minHeight: "52px",
    padding: "12px",
    font: "600 17px/1.3 {fonts.body}",
    color: "actText",
    background: "act",
    border: 0,
    borderRadius: "6px",
    cursor: "pointer",
    "&:disabled": { opacity: 0.72, cursor: "default" },
  },
});

/** What stands at the foot of a step: the button, and the way back. */
export const PayFoot = chakra("div", {
  base: {
    marginTop: "auto",
    paddingTop: "26px",
    display: "grid",
    gap: "12px",
    textAlign: "center",
    "& p": { margin: 0, fontSize: "13.5px", color: "soft" },
  },
});

/** A word that does something, in running text, large enough for a thumb. */
export const PayWord = chakra(
  "button",
  {
    base: {
      ...quietLinks,
      font: "inherit",
      color: "inherit",
      background: "none",
      border: 0,
      padding: "8px 4px",
      cursor: "pointer",
    },
  },
  { defaultProps: { type: "button" } },
);

/** A box to tick with its words beside it. */
export const PayTick = chakra("label", {
  base: {
    display: "grid",
    gridTemplateColumns: "30px minmax(0, 1fr)",
    padding: "8px 0",
    minHeight: "44px",
    "& input": { width: "19px", height: "19px", margin: "2px 0 0", accentColor: "{colors.act}" },
    "& small": { display: "block", color: "soft" },
  },
});

/** Fields beside one another. */
export const PayPair = chakra("div", {
  base: { display: "grid", gridTemplateColumns: "1fr 1fr", gap: "12px" },
});

const PayInput = chakra("input", inputRecipe);
const PayFieldBox = chakra("div", {
  base: {
    marginBottom: "14px",
    minWidth: 0,
    "& label": { display: "block", fontSize: "14px", color: "soft", marginBottom: "4px" },
    "& small": { display: "block", fontSize: "13px", marginTop: "4px" },
  },
});

/** A field of a pay page: large enough for a thumb, and for no zoom of the page. */
export function PayField({
  label,
  error,
  help,
  ...input
}: Labelled & ComponentProps<typeof PayInput>): ReactNode {
  const id = useId();
  return (
    <PayFieldBox>
      <label htmlFor={id}>{label}</label>
      <PayInput
        id={id}
        height="48px"
        fontSize="17px"
        aria-invalid={error !== undefined}
        aria-describedby={`${id}-help ${id}-error`}
        {...input}
      />
      {help ? (
        <small id={`${id}-help`} data-tone={help.startsWith("✓") ? "good" : "soft"}>
          {help}
        </small>
      ) : null}
      {error ? (
        <small id={`${id}-error`} data-tone="off" role="alert">
          {error}
        </small>
      ) : null}
    </PayFieldBox>
  );
}

/** What is paid, a row each. */
export const PayList = chakra("ul");
/** A line of a row that has no box. */
export const PayLine = chakra("div");
/** A heading of a step. */
export const PayHeading = chakra("h2");
/** What stands in a last look: a word and what it is. */
export const PayFactList = chakra("dl");
/** A step that is typed in: its parts lie in the sheet as if it were not there. */
export const PayForm = chakra("form", { base: { display: "contents" } });
/** One of several, from a list; a field of the browser's own, so that the page stays light. */
export function PaySelect({
  label,
  options,
  ...select
}: {
  label: string;
  options: readonly (readonly [string, string])[];
} & ComponentProps<typeof PayInput>): ReactNode {
  const id = useId();
  return (
    <PayFieldBox>
      <label htmlFor={id}>{label}</label>
      <PayInput as="select" id={id} height="48px" fontSize="17px" {...select}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </PayInput>
    </PayFieldBox>
  );
}
/** What is chosen from lists, one below the other. */
export const PayLists = chakra("div", {
  base: { display: "grid", gap: "12px", margin: "4px 0 12px" },
});
/** Ways, of which one is chosen. */
export const PayChoices = chakra("div", {}, { defaultProps: { role: "radiogroup" } });
/** A box, and one of several. */
export const PayBox = chakra("input", {}, { defaultProps: { type: "checkbox" } });
export const PayRadio = chakra("input", {}, { defaultProps: { type: "radio", name: "way" } });
/** The name of a step. */
export const PayTitle = chakra("h1");
