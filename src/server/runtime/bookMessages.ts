/** The words of what can be wrong around a book: with its file and its copies, the disk, and whoever asks. */
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
  "audit.unreadable":
    "Line {line} is not one of an audit package. Is it the right file, and whole?",
  "mail_server.address":
    "The mail server’s address cannot be read. Name the server by its parts under Set-up.",
  "backup.none": "There is no backup of this book yet. Make one first.",
  "restore.other":
    "The book “{book}” is another one than this is a copy of. Restore it under another name.",
  "restore.twice":
    "The book “{book}” is the one that this is a copy of, and it is still there: its customers' links would lead to two. Leave out --replaces.",
  "limit.time":
    "This took longer than {seconds} seconds and was ended. Take a part of it at a time.",
  "limit.memory":
    "This took more memory than {megabytes} MB and was ended. Take a part of it at a time.",
  "limit.busy": "Much is being made just now. Try again in a moment.",
  "disk.full":
    "The disk is full, or a limit for files is reached. Nothing was changed; make room and do this again.",
  "disk.failed": "The disk does not answer as it should. Nothing was changed; look at the disk.",
  "request.host": "This address is not the server's own. Open it at 127.0.0.1.",
  "request.foreign":
    "This was asked for by another site's page, or by nobody. Open the page itself.",
  "request.proxied":
    "This came through a proxy. Until there is sign-in, these pages are for this machine alone; what may be reached from outside are customers' pages, by a port of their own (PUBLIC_PORT).",
};
