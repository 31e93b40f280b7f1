/**
 * Whether a key was meant for a button or link that has the focus, and not for
 * the open row: Enter on those does their own thing. The button that opens a
 * row is no such control, as it keeps the focus while the row is worked on.
 */
function onOwnControl(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  return target.closest("button,a,summary") !== null && target.closest("[data-row]") === null;
}

/**
 * Whether something lies over the page: nothing below it hears keys, also before the focus has
 * reached what lies there, and while it closes.
 */
export function inDialog(event: KeyboardEvent): boolean {
  const dialog = "[role=dialog]";
  return (
    (event.target as HTMLElement).closest(dialog) !== null ||
    document.querySelector(dialog) !== null
  );
}

/** Whether a key of the page was meant for something else: a dialog, or the control that Enter presses. */
export function meantElsewhere(event: KeyboardEvent): boolean {
  return inDialog(event) || (event.key === "Enter" && onOwnControl(event));
}
