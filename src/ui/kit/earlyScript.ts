/**
 * Notes, before anything else of the page is there, what somebody types, ticks or chooses in which
 * field; what a browser itself puts back into fields (as after "back") is none of that.
 */
export const EARLY_SCRIPT = `
window.dozoEarly = new Map();
for (const kind of ["input", "change"])
  addEventListener(kind, ({ target }) => {
    const isTick = target.type === "checkbox" || target.type === "radio";
    window.dozoEarly?.set(target, isTick ? target.checked : target.value);
  }, true);
`;
