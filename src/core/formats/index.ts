export {
  FIELDS,
  FILE_KINDS,
  guessKind,
  guessMapping,
  type FieldSpec,
  type FileKind,
  type MappingSpec,
} from "./mapping";
export {
  expectedPayoutDay,
  readActivity,
  readBankLine,
  readCustomer,
  readInvoice,
  type ActivityRecord,
  type BankRecord,
  type CustomerRecord,
  type InvoiceRecord,
  type PayoutRecord,
  type ProcessorRecord,
} from "./records";
export { passesLuhn, withoutCardNumbers } from "./cardNumbers";
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
export {
  dayInZone,
  missingFields,
  readRows,
  RowReader,
  type ReadContext,
  type Refusal,
} from "./rows";
export { decodeText, readTable, type Table } from "./csv/table";
