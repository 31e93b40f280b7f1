export { FIELDS, type FieldSpec } from "./fields";
export { FILE_KIND_TRAITS, FILE_KINDS, type FileKind, type MappingSpec } from "./mapping";
export { guessColumns, guessMapping, markOf } from "./guess";
export { readCustomer, readInvoice, type CustomerRecord, type InvoiceRecord } from "./records";
export { readBankLine, type BankRecord } from "./bankRecord";
export { ofSameLine } from "./sameLine";
export {
  expectedPayoutDay,
  readActivity,
  type ActivityRecord,
  type PayoutRecord,
  type ProcessorRecord,
} from "./activityRecord";
export {
  FIRST_LAYOUT,
  JOURNAL_FIELDS,
  journalRows,
  type JournalField,
  type JournalFileLine,
  type JournalLayout,
} from "./journalFile";
export { formatOf } from "./formats";
export { readReturn, type ReturnRecord } from "./returns";
export { advicesOf, readRemittance, type RemittanceRecord } from "./remittance";
export { readRows, RowReader, type ReadContext, type Refusal } from "./rows";
export { missingFields, missingInWords } from "./missing";
export { mended, type MendedCell } from "./csv/mended";
export { decodeText } from "./csv/decode";
export type { Doubt } from "./doubts";
export { HEADING, isGroupName } from "./csv/headings";
export { headedAt, readTable, type Table } from "./csv/table";
export { factRecords, FROM_1904_MARK, HIDDEN_MARK, SHEET_MARK } from "./csv/sheets";
export { formatsOfStyles, partsRelated, SheetReader, sheetsOfBook, StringsReader } from "./xlsx";
export { type XmlNode, xmlTree } from "./xml/tree";
export { mailServerOf, type MailServer } from "./mailServer";
export { DECIMAL, harmless } from "./harmless";
export { dayInZone } from "./zones";
export { headWords, plainWords, withoutAccents } from "./plainWords";
export {
  readUbl,
  type UblAllowance,
  type UblDocument,
  type UblLine,
  type UblRecord,
  type UblTax,
  writeUbl,
} from "./ubl";
