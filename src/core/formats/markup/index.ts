import { maskedNumbers } from "@/core/gate";
import { fail } from "@/core/result";

import type { FileFormat } from "../fileFormat";

/** Web pages and XML of other kinds: no list of values, and refused by what they are. */
export const markup: FileFormat = {
  name: "markup",
  recognizes: (text) => /^\s*<[?!a-z]/i.test(text.slice(0, 200)),
  read: (text) => {
    const head = text.slice(0, 4000);
    if (/urn:schemas-microsoft-com:office:spreadsheet/.test(head)) return fail("file.xml_sheet");
    if (/<(?:!doctype html|html|table|head)\b/i.test(head)) return fail("file.html");
    if (/urn:un:unece:uncefact:data:standard:CrossIndustryInvoice/.test(head))
      return fail("file.cii");
    const message = /urn:iso:std:iso:20022:tech:xsd:([a-z]{4}\.\d{3})/.exec(head)?.[1];
    if (message !== undefined) return fail("file.iso20022", { name: message });
    return fail("file.xml", { name: /<([\w:.-]{1,60})/.exec(head)?.[1] ?? "XML" });
  },
  masked: maskedNumbers,
};
