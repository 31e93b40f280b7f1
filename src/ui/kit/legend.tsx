import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** How a part of a picture is drawn, and what it is. */
export type LegendEntry = { name: ReactNode; colour: string; drawn?: "full" | "outlined" };

/** What the parts of a picture are, each by the mark that it is drawn with. */
export function Legend({ entries }: { entries: readonly LegendEntry[] }): ReactNode {
  return (
    <Line>
      {entries.map(({ name, colour, drawn = "full" }) => (
        <span key={`${colour} ${drawn}`}>
          <Mark
            aria-hidden
            background={drawn === "full" ? colour : "transparent"}
            border="1px solid"
            borderStyle={drawn === "full" ? "solid" : "dashed"}
            borderColor={drawn === "full" ? "line" : colour}
          />
          {name}
        </span>
      ))}
    </Line>
  );
}

const Line = chakra("span", {
  base: {
    display: "flex",
    gap: "2px 18px",
    flexWrap: "wrap",
    fontSize: "13px",
    color: "soft",
    marginTop: "2px",
    "& > span": { whiteSpace: "nowrap" },
  },
});

const Mark = chakra("i", {
  base: {
    display: "inline-block",
    width: "10px",
    height: "10px",
    marginRight: "6px",
  },
});
