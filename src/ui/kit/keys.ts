/**
 * Whether a key was meant for a button or link that has the focus, and not for
 * the open row: Enter on those does their own thing. The button that opens a
 * row is no such control, as it keeps the focus while the row is worked on.
 */
export function onOwnControl(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  return target.closest("button,a,summary") !== null && target.closest("[data-row]") === null;
}
