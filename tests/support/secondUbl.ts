import { InvoiceService, invoiceSchema } from "@e-invoice-eu/core";
import { convert } from "xmlbuilder2";

type Schema = {
  type?: string;
  properties?: Record<string, Schema>;
  items?: Schema;
};
type Node = { [name: string]: unknown };

/**
 * An invoice in UBL as a second library understands it: held against its schema of EN 16931-1
 * (which terms there are, which must be there, its code lists), and written anew by that library.
 * Throws with what the schema does not allow.
 */
export async function writtenBySecond(xml: string): Promise<string> {
  const root = convert(xml, { format: "object" }) as Node;
  const schema = (invoiceSchema as unknown as Schema).properties?.["ubl:Invoice"] ?? {};
  const invoice = shaped(root.Invoice as Node, schema);
  const quiet = { log: ignore, warn: ignore, error: ignore };
  const made = await new InvoiceService(quiet).generate({ "ubl:Invoice": invoice } as never, {
    format: "UBL",
    lang: "en",
    noWarnings: true,
  });
  return String(made);
}

const ignore = (): void => undefined;

/** Elements as the library has them: attributes beside their element, lists where its schema has lists. */
function shaped(element: Node, schema: Schema): Node {
  const made: Node = {};
  for (const [name, value] of Object.entries(element)) {
    if (name.startsWith("@xmlns")) continue;
    const inner = schema.properties?.[name] ?? {};
    const one = inner.items ?? inner;
    const values = (Array.isArray(value) ? value : [value]).map((each) => {
      if (typeof each !== "object" || each === null) return String(each);
      const { "#": text, ...rest } = each as Node;
      if (text === undefined) return shaped(rest, one);
      for (const [attribute, of] of Object.entries(rest)) made[`${name}${attribute}`] = of;
      return String(text);
    });
    made[name] = inner.type === "array" ? values : values[0];
  }
  return made;
}
