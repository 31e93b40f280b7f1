import { SaxesParser } from "saxes";

import { fail, ok, type Result } from "@/core/result";

/** An element: its local name, its attributes, what it contains. Text is what stands directly in it. */
export type XmlNode = {
  readonly name: string;
  readonly space: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: XmlNode[];
  text: string;
};

const DEEPEST = 40;
const MOST_NODES = 500_000;

type Problem = "xml.broken" | "xml.doctype" | "xml.deep" | "xml.large";

/** Reads XML with its namespaces; a document type is refused, so that nothing is ever fetched or unfolded. */
export function xmlTree(text: string): Result<XmlNode, Problem> {
  const root: XmlNode = { name: "", space: "", attributes: {}, children: [], text: "" };
  const open: XmlNode[] = [root];
  let problem: Problem | null = null;
  let nodes = 0;
  const parser = new SaxesParser({ xmlns: true });
  parser.on("error", () => {
    problem ??= "xml.broken";
  });
  parser.on("doctype", () => {
    problem ??= "xml.doctype";
  });
  parser.on("opentag", ({ local, uri, attributes }) => {
    nodes += 1;
    if (open.length > DEEPEST) problem ??= "xml.deep";
    if (nodes > MOST_NODES) problem ??= "xml.large";
    if (problem) return;
    const own = Object.values(attributes).map(({ local: name, value }) => [name, value] as const);
    const node: XmlNode = {
      name: local,
      space: uri,
      attributes: Object.fromEntries(own),
      children: [],
      text: "",
    };
    open.at(-1)?.children.push(node);
    open.push(node);
  });
  parser.on("text", (piece) => {
    const here = open.at(-1);
    if (here) here.text += piece;
  });
  parser.on("closetag", () => {
    if (!problem) open.pop();
  });
  for (let at = 0; at < text.length && problem === null; at += 65_536)
    parser.write(text.slice(at, at + 65_536));
  if (problem === null) parser.close();
  const [only] = root.children;
  return problem === null && only ? ok(only) : fail(problem ?? "xml.broken");
}

/** The first element at a path of local names below a node. */
export function at(node: XmlNode | undefined, ...path: readonly string[]): XmlNode | undefined {
  return path.reduce<XmlNode | undefined>(
    (here, name) => here?.children.find((child) => child.name === name),
    node,
  );
}

export function allAt(node: XmlNode | undefined, name: string): XmlNode[] {
  return node?.children.filter((child) => child.name === name) ?? [];
}

/** The text at a path, without outer blanks; null where there is none. */
export function textAt(node: XmlNode | undefined, ...path: readonly string[]): string | null {
  return at(node, ...path)?.text.trim() || null;
}
