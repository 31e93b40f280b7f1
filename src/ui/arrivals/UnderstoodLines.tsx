import type { ReactNode } from "react";

import type { UnderstoodLine } from "@/contracts/arrivals";

import { Subheading } from "../kit/headings";
import { DetailTable, Heads } from "../kit/tables";

/** The first lines and the odd ones as they would be taken in, above the cells as they came. */
export function UnderstoodLines({ lines }: { lines: readonly UnderstoodLine[] }): ReactNode {
  if (lines.length === 0) return null;
  return (
    <>
      <Subheading data-strong marginTop="14px" fontSize="13px">
        Its first and its odd lines, as understood
      </Subheading>
      <DetailTable>
        <Heads of={[{ number: "Line" }, "Day", { number: "Sum" }, "What", "Of"]} />
        <tbody>
          {lines.map((line, at) => (
            <UnderstoodRow key={`${line.line} ${at}`} line={line} />
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

/** A line as it is understood, and under it as it came. */
function UnderstoodRow({
  line: { line, day, sum, what, who, came },
}: {
  line: UnderstoodLine;
}): ReactNode {
  return (
    <>
      <tr>
        <td data-numeric data-tone="soft">
          {line}
        </td>
        <td>{day}</td>
        <td data-numeric data-sum>
          {sum}
        </td>
        <td>{what}</td>
        <td data-wrap>{who}</td>
      </tr>
      <tr>
        <td />
        <td colSpan={4} data-wrap data-tone="soft">
          {came}
        </td>
      </tr>
    </>
  );
}
