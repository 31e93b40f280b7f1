/** The words of what can be wrong with a file that comes in, and with taking one back. */
export const FILE_MESSAGES: Readonly<Record<string, string>> = {
  "file.empty": "The file is empty. Choose one with a header row and at least one line.",
  "file.no_rows": "The file has a header but no lines below it. There is nothing to take in.",
  "file.no_advice":
    "The file says which payments were made, and of none what it was for. There is nothing to take in: the money itself comes with the statement of the bank.",
  "file.binary": "This is not a text file. Save the sheet as CSV (UTF-8) and choose that file.",
  "file.picture":
    "This is a picture, not a list. Export the statement or the activity as CSV, or as OFX, camt.053 or BAI2, and choose that file.",
  "file.pdf":
    "This is a PDF: a paper to be read, not a list. Export the same as CSV, or as OFX, camt.053 or BAI2, and choose that file.",
  "file.backup":
    "This is a packed copy or a database of another program. Export the list from there as CSV and choose that file.",
  "file.zip": "This is a packed folder (ZIP). Unpack it and choose the files that are in it.",
  "file.old_sheet":
    "This is a spreadsheet of an old kind (.xls), or a document of an office program. Save the sheet as CSV (UTF-8) and choose that file.",
  "workbook.large":
    "The workbook unpacks to {size} MB; at most {most} MB are taken in at once. Save the sheet as CSV, or split it by date.",
  "workbook.empty": "The workbook has no sheet with a header and lines below it.",
  "activity.payout_fee":
    "The payout has a fee of its own, and the line does not say whether its sum is before or after it. Give gross, fee and net, or mend the line.",
  "workbook.binary":
    "This is a workbook kept in a binary way (.xlsb). Save it as XLSX, or the sheet as CSV (UTF-8), and choose that file.",
  "workbook.open":
    "This is a sheet as OpenDocument keeps it (.ods). Save it as XLSX, or as CSV (UTF-8), and choose that file.",
  "file.document":
    "This is a document of an office program: a paper to be read, not a list. Export the list as CSV and choose that file.",
  "file.packed": "This is a packed folder. Unpack it and choose the files that are in it.",
  "file.program": "This is a program, not a list. It was not opened.",
  "file.json":
    "This is JSON, as programs send it to one another. Export the same as CSV and choose that file.",
  "file.edifact":
    "This is EDIFACT, which is not read here. Ask for the payments as camt.053 or as X12 820, or for the advice as CSV.",
  "file.qif":
    "This is QIF, which says neither which day is meant nor what its lines go by. Export the same as OFX, camt.053 or CSV and choose that file.",
  "file.card":
    "These are cards of addresses or of a calendar. Export the customers as CSV and choose that file.",
  "file.mail":
    "This is a mail. Save the file that is attached to it and choose that, or let Dozo read the mailbox (Set-up).",
  "file.rtf":
    "This is a text with its looks (RTF): a paper to be read, not a list. Export the list as CSV and choose that file.",
  "file.xml_sheet":
    "This is a sheet kept as XML, whatever its name ends in. Save it as XLSX, or as CSV (UTF-8), and choose that file.",
  "file.cii":
    "This is an invoice as a Cross Industry Invoice (CII). Invoices are read as UBL 2.1: ask for that, or give a list as CSV.",
  "file.iso20022":
    "This is {name}, a message of ISO 20022 of another kind. Statements are read as camt.053 and camt.052, notices as camt.054: ask the bank for one of those.",
  "file.html":
    "This is a web page, not a list, whatever its name ends in. Export the same as CSV and choose that file.",
  "file.xml":
    "This is XML of another kind (“{name}”). Statements are read as camt.053, notices as camt.054, invoices as UBL 2.1.",
  "ofx.broken":
    "The OFX file is not whole: it was cut off, or an unescaped “<” stands among its words. Nothing of it was taken in. Export it again.",
  "bai2.control":
    "The control total on line {line} is {said}, and its records come to {found}. The file was cut off or altered: export it again.",
  "bai2.broken": "The BAI2 file has no end (99). It was cut off: export it again.",
  "mt940.line":
    "Line {line} is no line of a statement as MT940 writes it (:61:). Nothing was taken in: export it again.",
  "mt940.broken":
    "A statement has no closing balance (:62F:). The file was cut off: export it again.",
  "return.dishonored":
    "{text} says that a bank did not accept a return, or answers that: the debit's money may be back. Ask the bank what holds, and record it by hand.",
  "x820.count":
    "A payment says that it has {said} segments, and has {found}. The file was cut off or altered: ask for it again.",
  "x820.other":
    "This is an X12 {set}, and no payment with its advice (820). Ask the sender for the 820 of the payment, or export a list as CSV.",
  "x820.cut": "The 820 file was cut off before its end. Ask for it again.",
  "questions.open":
    "The file leaves {count} things open, the first: {first} Say which it is, then take it in.",
  "amount.parted":
    "“{text}” looks like one sum that its mark of thousands has parted in two. Mend the line, or export sums without such marks.",
  "file.encoding":
    "Line {line} is not UTF-8 text. Save the file as CSV (UTF-8) and choose it again.",
  "file.columns": "The file has {count} columns; at most {most} are read. Is it the right file?",
  "file.rows":
    "The file has more than {most} lines. Split it by date and take in the parts, overlaps do no harm.",
  "file.cells":
    "The file has more than {most} cells. Leave out columns that are not needed, or split it by date.",
  "file.line":
    "Line {line} has more than {most} letters, which no table has. Is it the right file?",
  "file.headers":
    "The first row must name each column once (“{twice}”). Mend the header and choose the file again.",
  "file.quotes":
    "A quotation mark on line {line} is not closed. Mend it and choose the file again.",
  "file.large":
    "The file has {size} MB; at most {most} MB are taken in at once. Split it by date and take in the parts, overlaps do no harm.",
  "file.unknown": "That file is not in this book.",
  "file.undone": "“{name}” was taken back already.",
  "file.before":
    "“{name}” was taken in by an earlier version, which did not keep what was there before. Undo what it brought one by one.",
  "file.rests":
    "{count} things rest on what this file brought, the last: {words}. They are undone first, in order.",
  "file.blocked": "This rests on the file and cannot be undone: {words}. So the file stays.",
  "file.named":
    "Something that cannot be undone (a letter, a note) names what this file brought. So it stays.",
  "id.day":
    "“{text}” is a day, and the others are none: a spreadsheet may have made it of a number. Write the number as it was.",
  "id.cut":
    "“{text}” is what a spreadsheet left of a longer number, and others may begin as it does. Export the file again as CSV or with this column as text, or choose no column for the ids.",
  "mend.cell": "There is no such cell in the file: line {line}, column {column}.",
  "mend.format": "Only lists of cells are mended here. Mend this file where it comes from.",
  "file.missing": "The file is not there any more. Choose it again.",
  "file.folder": "{path} is a folder, and a file is meant. Say which file.",
  "file.place": "There is no way to {path}. Check its folder and its name.",
  "file.unreadable": "The file {path} cannot be read. Check its name and rights.",
  "file.tangled":
    "Taken back, this proof of the book would not hold: {proof}. So the file stays; undo what it brought one by one.",
  "tray.gone": "This line does not wait in the tray any more.",
  "again.file":
    "The file that is to be read again is of another kind. Take it in as a file of its own.",
  "line.restated":
    "Known already with another sum, {was}: nothing was done with it yet, and this sum is taken.",
  "line.day_restated":
    "Known already with another day, {was}: nothing was done with it yet, and this day is taken.",
  "line.day_changed":
    "Known already with another day, {was}. What was done with the line bears that day and stays; ask the bank which is right.",
  "line.changed":
    "Known already with another sum, {was}. What was done with the line stays; ask the bank which is right.",
  "activity.ended":
    "Posted before with {was}, and declined, voided or failed by now: what was posted is reversed.",
  "activity.end_rests":
    "Posted before with {was}, and declined, voided or failed by now. Something rests on it: undo that first, and take this file in again.",
  "payout.ended": "Told before with {was}, and failed by now: its items wait for the next payout.",
  "mailbox.none": "No mailbox is named for this book. Name one under Set-up.",
  "mailbox.login":
    "{host} did not let us in. Check the name and the password under Set-up; some providers give a password of its own for programs.",
  "mailbox.not_reached":
    "The mailbox at {host} was not reached ({why}). Check its name, port and whether it is secure under Set-up; it is tried again in a minute.",
  "activity.day_changed":
    "Known already with another day, {was}. Something rests on what was posted, which stays; ask the processor which is right.",
  "activity.day_reposted":
    "Known already with another day, {was}: what was posted is reversed, and this is posted.",
  "activity.reposted":
    "Known already with another sum, {was}: what was posted is reversed, and this is posted.",
  "nacha.control": "The ACH file has no control record (type 9): it is cut off. Fetch it again.",
  "nacha.width":
    "Line {line} of the ACH file has {found} characters, and a record has 94: something was put in or lost. Fetch it again.",
  "nacha.sum":
    "The ACH file does not foot: its control record on line {line} says {said}, its entries make {found}. Fetch it again.",
};
