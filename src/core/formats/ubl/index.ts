export type { UblAllowance, UblDocument, UblLine, UblTax } from "./document";
export { readUbl, type UblRecord } from "./read";
export { writeUbl } from "./write";
