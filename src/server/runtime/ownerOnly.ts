/** What the program writes is for whoever runs it alone: folders 0700, files 0600. */
const OWNER_ONLY = 0o077;

/** Holds for everything that this process, and every thread of it, makes from here on. */
export function ownerOnly(): void {
  process.umask(OWNER_ONLY);
}
