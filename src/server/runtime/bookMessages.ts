/** The words of what can be wrong with a book's file, with its copies, and with the disk. */
export const BOOK_MESSAGES: Readonly<Record<string, string>> = {
  "book.missing": "There is no book “{book}”.",
  "book.exists": "There is a book “{book}” already.",
  "book.name": "“{book}” cannot be a book's name: use small letters, digits and hyphens.",
  "book.newer":
    "The book was written by a newer version of the program ({found}, this one knows {newest}). Use that version.",
  "book.locked": "The book is in use by another process. Try again in a moment.",
  "book.held":
    "Somebody has the book open: a server, or another command. Stop it, and do this again.",
  "book.served":
    "Another server writes to this book. Only one may, so that nothing is posted or sent twice: stop one of the two.",
  "book.gone":
    "The file of this book is not there any more. Nothing more is read or written. Put it back or restore a backup, then start the server anew.",
  "book.replaced":
    "Another file lies under this book's name than the one that was opened. Nothing more is read or written, so that no work gets lost with the old one. Start the server anew to go on with what lies there now.",
  "book.rights":
    "The program may not read or write the book's file or its folder. Give whoever runs it the right to both.",
  "book.unreadable": "The book's file is damaged or not a book. Restore a backup.",
  "book.damaged":
    "The book's file is damaged ({where}). Restore the last good backup; “dozo backups” says which there are.",
  "backup.inside":
    "{path} lies in the data folder. A backup belongs somewhere else, best on another disk.",
  "backup.exists": "There is a file {path} already. Choose another name, or say --over.",
  "backup.folder": "There is no folder {path}. Make it first.",
  "backup.broken":
    "A proof of this book is broken: {proof}. The copy is kept as {path}, beside the last good one.",
  "backup.none": "There is no backup of this book yet. Make one first.",
  "restore.other":
    "The book “{book}” is another one than this is a copy of. Restore it under another name.",
  "restore.twice":
    "The book “{book}” is the one that this is a copy of, and it is still there: its customers' links would lead to two. Leave out --replaces.",
  "disk.full":
    "The disk is full, or a limit for files is reached. Nothing was changed; make room and do this again.",
  "disk.failed": "The disk does not answer as it should. Nothing was changed; look at the disk.",
};
