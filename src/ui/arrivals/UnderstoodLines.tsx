import type { ReactNode } from "react";

import type { UnderstoodLine } from "@/contracts/arrivals";

import { Subheading } from "../kit/headings";
import { DetailTable, Heads } from "../kit/tables";

/** The first lines as they would be taken in, above the cells as they came. */
export function UnderstoodLines({ lines }: { lines: readonly UnderstoodLine[] }): ReactNode {
  if (lines.length === 0) return null;
  return (
    <>
      <Subheading data-strong marginTop="14px" fontSize="13px">
        Its first lines, as understood
      </Subheading>
      <DetailTable>
        <Heads of={[{ number: "Line" }, "Day", { number: "Sum" }, "What", "Of"]} />
        <tbody>
          {lines.map(({ line, day, sum, what, who }, at) => (
            <tr key={`${line} ${at}`}>
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
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
