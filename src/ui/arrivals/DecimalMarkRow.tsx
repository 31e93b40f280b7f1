import type { ReactNode } from "react";

import type { MappingSpec } from "@/core/formats";

import { Pick } from "./Pick";

type DecimalMarkRowProps = {
  change: (mapping: MappingSpec) => void;
  mapping: MappingSpec;
  /** A sum of which the file does not say what it is; null where it does. */
  sample: string | null;
};

/** The decimal sign of the sums; asked where the file leaves it open. */
export function DecimalMarkRow({ change, mapping, sample }: DecimalMarkRowProps): ReactNode {
  return (
    <tr>
      <td>decimal sign</td>
      <td>
        <Pick
          label="decimal sign"
          value={mapping.markSaid === true || sample === null ? mapping.decimalMark : ""}
          options={[
            ...(mapping.markSaid === true || sample === null
              ? []
              : [["", `which? ${sample} can be two sums`] as const]),
            [".", "point: 1,234.56"],
            [",", "comma: 1.234,56"],
          ]}
          change={(mark) =>
            mark === ""
              ? undefined
              : change({
                  ...mapping,
                  decimalMark: mark as MappingSpec["decimalMark"],
                  markSaid: true,
                })
          }
        />
      </td>
    </tr>
  );
}
