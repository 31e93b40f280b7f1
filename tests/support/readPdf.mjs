// What an independent reader finds in the PDF on standard input, as JSON: { pages, text }. A
// process of its own, as the reader is a module that Jest cannot load.
import { extractText, getDocumentProxy } from "unpdf";

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { totalPages, text } = await extractText(
  await getDocumentProxy(new Uint8Array(Buffer.concat(chunks))),
  { mergePages: true },
);
process.stdout.write(JSON.stringify({ pages: totalPages, text }));
