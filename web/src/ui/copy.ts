/**
 * Copies text, and says whether that went well: a browser may refuse to. Also where a page over plain HTTP has no
 * clipboard of its own.
 */
export async function copy(text: string): Promise<boolean> {
  if (window.isSecureContext) {
    try {
      await navigator.clipboard.writeText(text);
      return true;
    } catch {
      return copySelected(text); // the browser was told not to give the clipboard to this page
    }
  }
  return copySelected(text);
}

function copySelected(text: string): boolean {
  const field = document.createElement("textarea");
  field.value = text;
  field.readOnly = true;
  field.className = "visually-hidden";
  const before = document.activeElement;
  const dialog = document.querySelector("[role=dialog] .modal-content") ?? document.body;
  dialog.append(field); // within an open dialog, which keeps the focus
  field.select();
  const done = document.execCommand("copy");
  field.remove();
  if (before instanceof HTMLElement) before.focus();
  return done;
}
