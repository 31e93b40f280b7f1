import { maskedNumbers } from "@/core/gate";
import { fail } from "@/core/result";

import type { FileFormat } from "../fileFormat";

/** Web pages and XML of other kinds: no list of values, and refused by what they are. */
export const markup: FileFormat = {
  name: "markup",
  recognizes: (text) => /^\s*<[?!a-z]/i.test(text.slice(0, 200)),
  read: (text) =>
    /<(?:!doctype html|html|table|head)\b/i.test(text.slice(0, 4000))
      ? fail("file.html")
      : fail("file.xml", {
          name: /<([\w:.-]{1,60})/.exec(text.slice(0, 4000))?.[1] ?? "XML",
        }),
  masked: maskedNumbers,
};
